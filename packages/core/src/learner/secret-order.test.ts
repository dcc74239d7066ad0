import { randomBytes } from 'node:crypto';
import { expect, test } from 'vitest';
import { allShown } from '../assignment/shown-now.ts';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { everyKind } from '../examples/every-kind.ts';
import { lessonOf } from '../examples/kinds-lesson.ts';
import type { Question } from '../question/question.ts';
import { shuffledByWords } from '../question/shuffled.ts';
import { shuffledBy } from '../question/shuffled-by-secret.ts';
import { learnerView } from './learner-view.ts';

const itemsOf: Readonly<Record<string, (question: Question) => readonly string[]>> = {
  order: (question) => (question.kind === 'order' ? question.items.map(({ id }) => id) : []),
  match: (question) => (question.kind === 'match' ? question.targets.map(({ id }) => id) : []),
  associate: (question) => (question.kind === 'associate' ? question.items.map(({ id }) => id) : []),
  gapMatch: (question) => (question.kind === 'gapMatch' ? question.words.map(({ id }) => id) : []),
  graphicGapMatch: (question) => (question.kind === 'graphicGapMatch' ? question.words.map(({ id }) => id) : []),
};

/** Every number and every word in a value. */
function valuesIn(value: unknown): string[] {
  if (Array.isArray(value)) return value.flatMap(valuesIn);
  if (typeof value === 'object' && value !== null)
    return Object.entries(value).flatMap(([key, one]) => [key, ...valuesIn(one)]);
  return [String(value)];
}

/** What was there before a shuffle that put `places` in the order of `shown`. */
const undone = (shown: readonly string[], places: readonly number[]) => {
  const before: string[] = [];
  for (const [index, place] of places.entries()) before[place] = shown[index] as string;
  return before.join();
};

test.each(Object.entries(itemsOf))(
  'an order shown of %s cannot be undone with anything the browser holds',
  (kind, idsOf) => {
    const question = everyKind[kind as keyof typeof everyKind] as Question;
    const authored = idsOf(question).join();
    const count = idsOf(question).length;
    const numbers = Array.from({ length: count }, (_, i) => i);
    let guesses = 0;
    let hits = 0;
    for (let attempt = 0; attempt < 60; attempt++) {
      const state = beginAttempt({
        begunAt: 1_700_000_000_000 + attempt * 977,
        secret: randomBytes(16).toString('hex'),
      });
      const view = learnerView(lessonOf([question]), state, {}, allShown);
      const stop = view.lesson.parts[0]?.stops[0];
      const shown = stop?.kind === 'checkpoint' ? idsOf(stop.questions[0] as unknown as Question) : [];
      const known = [...new Set(valuesIn(view))];
      const seeds = known.flatMap((seed) => [seed, `${seed} ${question.id}`, `${seed} ${question.id} `]);
      for (const seed of seeds) {
        const tried = [
          shuffledByWords(numbers, seed),
          shuffledBy(seed, question.id, numbers),
          shuffledBy(seed, `${question.id} `, numbers),
        ];
        for (const places of tried) {
          guesses++;
          if (undone(shown, places) === authored) hits++;
        }
      }
    }
    const orders = numbers.reduce((product, i) => product * (i + 1), 1);
    const expected = guesses / orders;
    // Guesses of one attempt share what is shown, so the spread is that of attempts: five standard deviations of those.
    const perAttempt = guesses / 60;
    const spread = Math.sqrt(60 * (1 / orders) * (1 - 1 / orders)) * perAttempt;
    expect(Math.abs(hits - expected)).toBeLessThan(5 * spread);
    expect(guesses).toBeGreaterThan(5_000);
  },
);

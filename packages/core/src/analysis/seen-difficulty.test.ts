import { expect, test } from 'vitest';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { lessonOf } from '../examples/kinds-lesson.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { takeInAll } from '../reducer/take-in.ts';
import { createSitting, pickOne } from '../test/bridge-lesson.ts';
import { bankResultsOf, seenDifficulty } from './seen-difficulty.ts';

const give = (optionId: string) => ({ kind: 'choice', optionIds: [optionId] }) as const;
const walk = (question: typeof pickOne & { bankItemId?: string }, ...picked: string[]) => {
  const lesson = lessonOf([question]);
  const event = createSitting('a');
  const events = [
    event({ type: 'reachedStop', stopId: 'stop' }),
    ...picked.map((id) => event({ type: 'answered', stopId: 'stop', responses: { [question.id]: give(id) } })),
  ];
  return bankResultsOf(
    lesson,
    takeInAll(createContext(lesson, defaultTerms), beginAttempt({ begunAt: 1_000_000, secret: 'of a test' }), events),
  );
};

test('only questions of the bank are counted, and of several tries the first', () => {
  expect(walk(pickOne, 'o-compression')).toEqual([]);
  const banked = { ...pickOne, bankItemId: 'item', tries: { count: 3, laterPercent: 50 } };
  const result = { itemId: 'item', questionId: 'q-one', possible: 200 };
  expect(walk(banked, 'o-compression')).toEqual([{ ...result, earned: 200 }]);
  expect(walk(banked, 'o-tension', 'o-compression')).toEqual([{ ...result, earned: 0 }]);
  expect(walk(banked)).toEqual([]);
});

test('says nothing before five have answered', () => {
  const answers = [200, 200, 0, 100].map((earned) => ({ earned, possible: 200 }));
  expect(seenDifficulty(answers)).toEqual({ count: 4, share: null });
  expect(seenDifficulty([...answers, { earned: 0, possible: 200 }])).toEqual({ count: 5, share: 0.5 });
});

import { expect, test } from 'vitest';
import { everyKind } from '../examples/every-kind.ts';
import type { Question } from '../question/question.ts';
import { canComeBack, chooseReview, type PooledQuestion } from './choose-review.ts';
import { answeredDays, comesBack, daysLater, planReview } from './plan-review.ts';
import { reviewLesson } from './review-lesson.ts';
import { stayedAfter } from './stayed.ts';

/**
 * FSRS-6 written out from its published description (open-spaced-repetition, "The Algorithm"; formulas and default
 * weights from memory), for whole days and nine in ten still known: w0–w3 stability of the first answer, w4–w7
 * difficulty, w8–w10 and w15 what grows, w11–w14 what is left after forgetting, w20 how fast is forgotten.
 */
const w = [
  0.212, 1.2931, 2.3065, 8.2956, 6.4133, 0.8334, 3.0194, 0.001, 1.8722, 0.1666, 0.796, 1.4835, 0.0614, 0.2629, 1.6483,
  0.6014, 1.8729, 0.5425, 0.0912, 0.0658, 0.1542,
] as const;
type Grade = 1 | 2 | 3;
const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
const factor = 0.9 ** (-1 / w[20]) - 1;
interface Memory {
  readonly stability: number;
  readonly difficulty: number;
}
const firstDifficulty = (grade: number) => w[4] - Math.exp(w[5] * (grade - 1)) + 1;
function remembered(before: Memory | null, days: number, grade: Grade): Memory {
  if (!before) return { stability: w[grade - 1] as number, difficulty: within(firstDifficulty(grade), 1, 10) };
  const { stability, difficulty } = before;
  const retrievable = (1 + (factor * days) / stability) ** -w[20];
  const moved = difficulty - (w[6] * (grade - 3) * (10 - difficulty)) / 9;
  const forgotten = w[11] * difficulty ** -w[12] * ((stability + 1) ** w[13] - 1) * Math.exp(w[14] * (1 - retrievable));
  const grown = Math.exp(w[8]) * (11 - difficulty) * stability ** -w[9] * (Math.exp(w[10] * (1 - retrievable)) - 1);
  return {
    difficulty: within(w[7] * firstDifficulty(4) + (1 - w[7]) * moved, 1, 10),
    stability: grade === 1 ? Math.min(forgotten, stability) : stability * (1 + grown * (grade === 2 ? w[15] : 1)),
  };
}
function publishedIntervals(answers: readonly { readonly day: number; readonly grade: Grade }[]): number[] {
  let memory: Memory | null = null;
  let last = 0;
  return answers.map(({ day, grade }) => {
    const days = (one: Grade) => within(Math.round(remembered(memory, day - last, one).stability), 1, 365);
    // A better answer never comes back as soon as a worse one would have.
    const again = Math.min(days(1), days(2));
    const hard = Math.max(days(2), again + 1);
    const good = Math.max(days(3), hard + 1);
    memory = remembered(memory, day - last, grade);
    last = day;
    return { 1: again, 2: hard, 3: good }[grade];
  });
}

const start = '2026-03-01';
const shareOf = { 1: 0.2, 2: 0.6, 3: 0.9 } as const;

test.each([
  ['met each time', [3, 3, 3, 3, 3]],
  ['not met, then met', [1, 3, 3, 3]],
  ['nearly, again and again', [2, 2, 2, 3, 3]],
  ['forgotten after a while', [3, 3, 3, 1, 3, 3]],
] as const)('comes back by the published schedule: %s', (_, grades) => {
  const answered: { day: number; grade: Grade }[] = [];
  let day = 0;
  for (const grade of grades) {
    answered.push({ day, grade });
    const days = answered.map((one) => ({ day: daysLater(start, one.day), share: shareOf[one.grade] }));
    const plan = planReview(days);
    expect(plan?.intervalDays).toBe(publishedIntervals(answered).at(-1));
    expect(plan?.dueDay).toBe(daysLater(start, day + (plan?.intervalDays ?? 0)));
    day += plan?.intervalDays ?? 0;
  }
});

test('grows while it stays, and comes at once when it does not', () => {
  const intervalOf = (...shares: number[]) => {
    const days: { day: string; share: number }[] = [];
    for (const share of shares) days.push({ day: planReview(days)?.dueDay ?? start, share });
    return planReview(days)?.intervalDays ?? 0;
  };
  expect(intervalOf(0.2)).toBe(1);
  const growing = [[0.9], [0.9, 0.9], [0.9, 0.9, 0.9]].map((shares) => intervalOf(...shares));
  expect(growing).toEqual(growing.toSorted((a, b) => a - b));
  expect(intervalOf(0.9, 0.9, 0.9, 0.1)).toBeLessThan(growing[2] as number);
  expect(planReview([])).toBeNull();
});

test('days are those of the class, and a day is one', () => {
  const at = (time: string) => Date.parse(time);
  const evidence = [
    // In Auckland this is the evening of the 3rd, and the morning after.
    { earned: 100, possible: 100, at: at('2026-12-03T08:00:00Z') },
    { earned: 0, possible: 300, at: at('2026-12-03T09:00:00Z') },
    { earned: 50, possible: 100, at: at('2026-12-03T20:00:00Z') },
    { earned: 0, possible: 0, at: at('2026-12-05T20:00:00Z') },
  ];
  expect(answeredDays(evidence, 'Pacific/Auckland')).toEqual([
    { day: '2026-12-03', share: 0.25 },
    { day: '2026-12-04', share: 0.5 },
  ]);
  expect(answeredDays(evidence.slice(0, 3), 'UTC')).toEqual([{ day: '2026-12-03', share: 0.3 }]);
});

test('a target comes back once it was not met, and from then on', () => {
  const told = (...earned: number[]) =>
    earned.map((one, index) => ({
      earned: one,
      possible: 100,
      at: Date.parse('2026-12-03T08:00:00Z') + index * 60_000,
    }));
  // Too few to say, and met.
  expect(comesBack(told(0, 0), [], 'UTC')).toBeNull();
  expect(comesBack(told(100, 100, 100), [], 'UTC')).toBeNull();
  expect(comesBack(told(0, 0, 100), [], 'UTC')).toMatchObject({ dueDay: '2026-12-04', mastery: { level: 'notMet' } });
  const later = [{ earned: 100, possible: 100, at: Date.parse('2026-12-06T08:00:00Z') }];
  const again = comesBack(told(100, 100, 100), later, 'UTC');
  expect(again).toMatchObject({ lastDay: '2026-12-06', mastery: { level: 'met' } });
  expect((again?.dueDay ?? '') > '2026-12-07').toBe(true);
});

const ask = (id: string, stem = id): Question => ({ ...everyKind.choice, id, stem });
const pooled = (source: string, ...targets: string[]): PooledQuestion => ({ source, question: ask(source), targets });
const due = (key: string, dueDay = '2026-12-01', share: number | null = 0.4) => ({ key, dueDay, share });
const sources = (chosen: readonly PooledQuestion[]) => chosen.map(({ source }) => source);

test('asks of every target that is due before it asks of one twice, the longest due first', () => {
  const pool = [pooled('a1', 'a'), pooled('a2', 'a'), pooled('a3', 'a'), pooled('b1', 'b'), pooled('b2', 'b')];
  const both = [due('b', '2026-12-02'), due('a')];
  expect(sources(chooseReview(both, pool, new Map(), 10))).toEqual(['a1', 'b1', 'a2', 'b2']);
  expect(sources(chooseReview(both, pool, new Map(), 1))).toEqual(['a1']);
  expect(sources(chooseReview([due('a', '2026-12-01', 0.6), due('b', '2026-12-01', 0.1)], pool, new Map(), 1))).toEqual(
    ['b1'],
  );
});

test('asks what was not met for the longest time', () => {
  const pool = [pooled('a1', 'a'), pooled('a2', 'a'), pooled('a3', 'a')];
  const lastMet = new Map([
    ['a1', '2026-11-30'],
    ['a2', '2026-11-20'],
  ]);
  expect(sources(chooseReview([due('a')], pool, lastMet, 2))).toEqual(['a3', 'a2']);
});

test('a question for two targets stands for both, and what nothing asks for is left', () => {
  const pool = [pooled('both', 'a', 'b'), pooled('a2', 'a'), pooled('b2', 'b')];
  expect(sources(chooseReview([due('a'), due('b'), due('c')], pool, new Map(), 1))).toEqual(['both']);
  expect(sources(chooseReview([due('a'), due('b'), due('c')], pool, new Map(), 9))).toEqual(['both', 'a2', 'b2']);
  expect(chooseReview([due('c')], pool, new Map(), 9)).toEqual([]);
});

test('what comes back is what a program marks', () => {
  const kinds = Object.values(everyKind)
    .filter(canComeBack)
    .map(({ kind }) => kind);
  for (const kind of ['choice', 'numeric', 'order', 'match', 'hotspot'] as const) expect(kinds).toContain(kind);
  for (const kind of ['extendedText', 'drawing', 'upload', 'record', 'discussion', 'poll'] as const)
    expect(kinds).not.toContain(kind);
});

test('is asked once, without a clock, under an id of its own', () => {
  const timed = { ...ask('same'), tries: { count: 3, laterPercent: 50 }, timeLimitMs: 5_000, bankItemId: 'item' };
  const [part] = reviewLesson('Come back to it', [timed, ask('same', 'another')]).parts;
  const questions = part?.stops.flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : [])) ?? [];
  expect(questions.map(({ id, stem }) => [id, stem])).toEqual([
    ['question-1', 'same'],
    ['question-2', 'another'],
  ]);
  for (const name of ['tries', 'timeLimitMs', 'bankItemId']) expect(questions[0]).not.toHaveProperty(name);
});

test('says how much stayed by how long it had been, and nothing of few', () => {
  const answers = [1, 2, 3, 3, 2, 12].map((afterDays, index) => ({ afterDays, share: index === 0 ? 0 : 1 }));
  const { all, bands } = stayedAfter(answers);
  expect([all.count, all.share]).toEqual([6, 5 / 6]);
  expect(bands.map(({ count, share }) => [count, share])).toEqual([
    [5, 0.8],
    [0, null],
    [1, null],
    [0, null],
  ]);
});

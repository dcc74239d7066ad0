import { describe, expect, test } from 'vitest';
import { numberInSeries, type SeriesStep, type StepStanding, seriesProgress, stepToDoFirst } from './series.ts';

const step = (assignmentId: string, place: number, more: Partial<SeriesStep> = {}): SeriesStep => ({
  ...{ assignmentId, place, afterPercent: 0, isExtra: false },
  ...more,
});
const nothing: StepStanding = { excused: false, handedIn: false, share: 0 };
const done = (share = 1): StepStanding => ({ excused: false, handedIn: true, share });
const standings = (all: Record<string, StepStanding>) => (id: string) => all[id];

/** Three in a row, and one beside them. */
const steps = [step('c', 2, { afterPercent: 70 }), step('a', 0, { afterPercent: null }), step('b', 1)];
const extra = step('x', 1.5, { afterPercent: null, isExtra: true });

describe('what has to be done first', () => {
  // Worked by hand: who stands how, and which step waits for which.
  test.each([
    ['the first waits for nothing', 'a', { a: nothing, b: nothing, c: nothing }, null],
    ['the second waits for the first', 'b', { a: nothing, b: nothing, c: nothing }, 'a'],
    ['handed in opens the next', 'b', { a: done(0), b: nothing, c: nothing }, null],
    ['but not the one after it', 'c', { a: done(), b: nothing, c: nothing }, 'b'],
    ['69 of 100 points are too few for 70 percent', 'c', { a: done(), b: done(0.69), c: nothing }, 'b'],
    ['70 are enough', 'c', { a: done(), b: done(0.7), c: nothing }, null],
    ['who is excused from one waits for the one before it', 'c', { a: nothing, b: { ...nothing, excused: true } }, 'a'],
    ['what somebody does not have is passed over', 'c', { a: done(), c: nothing }, null],
    ['the second of somebody who has no other', 'b', { b: nothing }, null],
  ] as const)('%s', (_, id, all, first) => {
    expect(stepToDoFirst([...steps, extra], id, standings(all))?.assignmentId ?? null).toBe(first);
  });

  test('nothing waits for an extra', () => {
    const behind = [extra, step('after', 3)];
    expect(stepToDoFirst(behind, 'after', standings({ x: nothing, after: nothing }))).toBeNull();
  });

  test('nor does what stands in no series', () => {
    expect(stepToDoFirst(steps, 'elsewhere', () => nothing)).toBeNull();
  });
});

test('progress counts what has to be done and is there', () => {
  const own = { a: done(), b: { ...done(), excused: true }, c: nothing, x: done() };
  expect(seriesProgress([...steps, extra], standings(own))).toEqual({ done: 1, count: 2 });
});

test('numbers leave out extras', () => {
  expect(['a', 'b', 'x', 'c'].map((id) => numberInSeries([...steps, extra], id))).toEqual([1, 2, null, 3]);
});

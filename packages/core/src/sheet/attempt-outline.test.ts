import { expect, test } from 'vitest';
import { wholeWalk } from '../test/bridge-lesson.ts';
import { rowAfter, rowStartAt as startAt } from '../test/row-after.ts';
import { isLate, needOf, outlineOf } from './attempt-outline.ts';

test('the need of a student, the most pressing first', () => {
  const at = (now: number, row = rowAfter(3), dueAt: number | null = null, excused = false) =>
    needOf(outlineOf(row), { excused, dueAt, now });
  expect(at(startAt)).toBe('underWay');
  expect(at(startAt + 25 * 3_600_000)).toBe('stuck');
  expect(at(startAt, { ...rowAfter(3), atOpenStopMs: 5 * 60_000 })).toBe('stuck');
  expect(at(startAt + 10, rowAfter(3), startAt)).toBe('overdue');
  expect(at(startAt, rowAfter(wholeWalk.length))).toBe('toMark');
  // What came in after closing waits for the teacher, however stuck or late its student looks without it.
  expect(at(startAt + 25 * 3_600_000, { ...rowAfter(3), waitingSteps: 4 }, startAt)).toBe('toMark');
  expect(at(startAt, rowAfter(3), null, true)).toBe('excused');
  expect(needOf(null, { excused: false, dueAt: 5, now: 6 })).toBe('overdue');
  expect(needOf(null, { excused: false, dueAt: 5, now: 5 })).toBe('notBegun');
});

test('late is handed in after the due second', () => {
  const done = rowAfter(wholeWalk.length);
  expect(isLate(done, done.handedInAt)).toBe(false);
  expect(isLate(done, (done.handedInAt as number) - 1)).toBe(true);
  expect(isLate(null, 0)).toBe(false);
});

test('an outline counts what waits', () => {
  const done = rowAfter(wholeWalk.length);
  const { progress, earned, possible, handedInAt } = done;
  expect(outlineOf(done)).toEqual({
    ...{ progress, earned, possible, handedInAt },
    ...{ toMark: 1, waitingSteps: 0, returned: 0, stuckFrom: null },
  });
  expect(outlineOf({ ...rowAfter(3), atOpenStopMs: 5 * 60_000 }).stuckFrom).toBe(0);
});

import { describe, expect, test } from 'vitest';
import { latePercent } from './late-work.ts';

const hour = 3_600_000;
const due = Date.UTC(2026, 11, 3, 22, 59);
const late = { kind: 'worthLess', percentEachDay: 20, maxPercent: 50, graceMinutes: 15 } as const;

describe('what is taken off, worked out by hand', () => {
  test.each([
    ['long before', -48, 0],
    ['in the last moment', 0, 0],
    ['within the grace time', 0.25, 0],
    ['a moment after it: the day that began with the due date counts', 0.2501, 20],
    ['at the end of the first day', 24, 20],
    ['as the second day begins', 24.001, 40],
    ['on the third day: three times 20, but never more than 50', 60, 50],
    ['a year later', 24 * 365, 50],
  ])('%s', (_, hours, percent) => {
    expect(latePercent(late, due, due + hours * hour)).toBe(percent);
  });
  test('nothing without a due date, and nothing of what is not handed in', () => {
    expect(latePercent(late, null, due)).toBe(0);
    expect(latePercent(late, due, null)).toBe(0);
  });
  test('nothing where late work is not taken at all: there is none', () => {
    expect(latePercent({ kind: 'refused' }, due, due + hour)).toBe(0);
  });
  test('a grace of more than a day does not bring the day back', () => {
    expect(latePercent({ ...late, graceMinutes: 36 * 60 }, due, due + 37 * hour)).toBe(40);
  });
});

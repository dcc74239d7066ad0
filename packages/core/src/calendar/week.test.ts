import { expect, test } from 'vitest';
import { weekOf, weeksLater } from './week.ts';

test.each([
  // ISO 8601: 2026 begins on a Thursday, in its week 1, which began in December.
  ['2026-01-01', '2025-12-29', '2026-01-04'],
  ['2026-11-30', '2026-11-30', '2026-12-06'],
  ['2026-12-06', '2026-11-30', '2026-12-06'],
  ['2028-02-29', '2028-02-28', '2028-03-05'],
])('%s lies in the week from %s to %s', (date, monday, sunday) => {
  const week = weekOf(date);
  expect([week.length, week[0], week[6]]).toEqual([7, monday, sunday]);
  expect(week).toContain(date);
});

test('goes on over the end of a year, and back', () => {
  expect(weeksLater('2026-12-28', 1)).toBe('2027-01-04');
  expect(weeksLater('2027-01-04', -1)).toBe('2026-12-28');
});

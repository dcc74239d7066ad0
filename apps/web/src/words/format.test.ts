import { expect, test } from 'vitest';
import {
  formatAgo,
  formatBytes,
  formatClock,
  formatInstant,
  formatMinutes,
  formatPoints,
  formatShare,
} from './format.ts';

test.each([
  [0, '0:00'],
  [4 * 60_000 + 5_999, '4:05'],
  [3_600_000 + 4 * 60_000 + 5_000, '1:04:05'],
  [-10, '0:00'],
])('the place %d ms is %s', (ms, expected) => expect(formatClock(ms)).toBe(expected));

const own = Intl.DateTimeFormat().resolvedOptions().timeZone;

test('an instant on the class clock, with its zone where that is not the viewer’s', () => {
  const due = Date.UTC(2026, 11, 3, 22, 59);
  const other = own === 'Asia/Kathmandu' ? 'Pacific/Auckland' : 'Asia/Kathmandu';
  expect(formatInstant(due, own, due)).not.toContain('(');
  expect(formatInstant(due, other, due)).toContain(`(${other})`);
  expect(formatInstant(due, 'Europe/Stockholm', due)).toMatch(/^Thu 3 Dec, 23:59/);
});

test('a date far away says its year', () => {
  const now = Date.UTC(2026, 10, 25);
  expect(formatInstant(Date.UTC(2027, 0, 14, 12), 'UTC', now)).toMatch(/^Thu 14 Jan, 12:00/);
  expect(formatInstant(Date.UTC(2031, 0, 14, 12), 'UTC', now)).toMatch(/^Tue 14 Jan 2031, 12:00/);
});

test.each([
  [20_000, 'now'],
  [5 * 60_000, '5 min. ago'],
  [3 * 3_600_000, '3 hr. ago'],
  [24 * 3_600_000, 'yesterday'],
  [-5_000, 'now'],
])('seen %d ms before', (ms, expected) => expect(formatAgo(1_000_000_000 - ms, 1_000_000_000)).toBe(expected));

test('points without needless noughts, whole shares, times that are never nought while there is some', () => {
  expect([200, 250, 225].map(formatPoints)).toEqual(['2', '2.5', '2.25']);
  expect(formatShare(0.655)).toBe('66%');
  expect([0, 1, 29_000, 150_000].map(formatMinutes)).toEqual(['0 min', '1 min', '1 min', '3 min']);
});

test.each([
  [10, '1 kB'],
  [500 * 1024, '500 kB'],
  [3.7 * 1024 ** 2, '3.7 MB'],
  [2 * 1024 ** 3, '2.00 GB'],
])('%d bytes', (bytes, expected) => expect(formatBytes(bytes)).toBe(expected));

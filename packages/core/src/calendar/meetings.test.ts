import { expect, test } from 'vitest';
import { nextMeeting } from './meetings.ts';

// Tuesdays and Thursdays; 1 December 2026 is a Tuesday.
const meetings = [
  { weekday: 4, time: '13:00' },
  { weekday: 2, time: '10:00' },
  { weekday: 2, time: '08:15' },
];
const off = { title: 'A day off', kind: 'off' as const, firstDay: '2026-12-03', lastDay: '2026-12-07' };

test.each([
  ['2026-12-01T07:00', '2026-12-01T08:15'],
  ['2026-12-01T08:15', '2026-12-01T10:00'],
  ['2026-12-01T12:00', '2026-12-03T13:00'],
  ['2026-12-05T12:00', '2026-12-08T08:15'],
])('after %s it meets %s', (now, next) => expect(nextMeeting(meetings, now)).toBe(next));

test('not on days without school; never where it never meets', () => {
  expect(nextMeeting(meetings, '2026-12-01T12:00', [off])).toBe('2026-12-08T08:15');
  expect(nextMeeting([], '2026-12-01T12:00')).toBe(null);
});

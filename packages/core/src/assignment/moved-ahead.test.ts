import { expect, test } from 'vitest';
import { movedAhead } from './moved-ahead.ts';

const last = { opensAt: '2026-11-30T08:00', dueAt: '2026-12-03T23:59', closesAt: '2026-12-10T23:59' };

test.each([
  // A year later, on a Wednesday: the Monday after it. Weeks counted on a printed calendar.
  ['2027-12-01', { opensAt: '2027-12-06T08:00', dueAt: '2027-12-09T23:59', closesAt: '2027-12-16T23:59' }],
  ['2026-12-01', { opensAt: '2026-12-07T08:00', dueAt: '2026-12-10T23:59', closesAt: '2026-12-17T23:59' }],
  ['2026-11-30', last],
  ['2026-06-01', last],
])('given again on %s', (today, moved) => expect(movedAhead(last, today)).toEqual(moved));

test('along the school’s calendar: into the same week of the next term', () => {
  const term = (firstDay: string, lastDay: string) => ({ title: 'Term', kind: 'term' as const, firstDay, lastDay });
  const terms = [term('2026-08-19', '2026-12-18'), term('2027-08-18', '2027-12-17')];
  expect(movedAhead(last, '2027-07-01', terms)).toEqual({
    ...{ opensAt: '2027-11-29T08:00', dueAt: '2027-12-02T23:59', closesAt: '2027-12-09T23:59' },
  });
  // That week of the term is over: as soon as it can be.
  expect(movedAhead(last, '2027-12-06', terms).dueAt).toBe('2027-12-09T23:59');
});

test('goes by the due date where it opens at once, and leaves alone what has no dates', () => {
  const none = { opensAt: null, dueAt: null, closesAt: null };
  expect(movedAhead({ ...none, dueAt: '2026-02-27T12:00' }, '2026-03-01').dueAt).toBe('2026-03-06T12:00');
  expect(movedAhead(none, '2026-03-01')).toEqual(none);
});

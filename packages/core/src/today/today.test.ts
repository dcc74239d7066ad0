import { describe, expect, test } from 'vitest';
import { type DaySummary, overnightSince, teacherDay } from './today.ts';

const timeZone = 'Europe/Stockholm';
const at = (text: string) => Date.parse(`${text}+01:00`);
const now = at('2026-12-02T07:40');
const nothing = {
  ...{ timeZone, to: [], studentCount: 24, handedInCount: 10, toMarkCount: 0, toMarkSince: null, stuckCount: 0 },
  ...{ overdueCount: 0, overdueSince: null, cameInCount: 0, wroteBackCount: 0 },
};
const one = (id: string, more: Partial<DaySummary>): DaySummary => ({ id, classId: 'amber', ...nothing, ...more });

describe('what needs a teacher', () => {
  test('by class, and within it by how long it has waited; who is stuck waits for nothing', () => {
    const { needs } = teacherDay(
      [
        one('a', { toMarkCount: 4, toMarkSince: at('2026-12-01T10:00') }),
        one('b', { classId: 'cobalt', toMarkCount: 9, toMarkSince: at('2026-11-20T10:00'), stuckCount: 1 }),
        one('c', { overdueCount: 3, overdueSince: at('2026-11-28T23:59'), toMarkCount: 1 }),
      ],
      now,
    );
    expect(
      needs.map(({ classId, needs: own }) => [
        classId,
        ...own.map(({ assignmentId, kind }) => `${assignmentId} ${kind}`),
      ]),
    ).toEqual([
      ['cobalt', 'b stuck', 'b mark'],
      ['amber', 'c overdue', 'a mark', 'c mark'],
    ]);
  });

  test('nothing where nothing is', () => {
    expect(teacherDay([one('a', {})], now)).toEqual({ needs: [], cameIn: [], dates: [] });
  });
});

test('what came in, the most first', () => {
  const { cameIn } = teacherDay([one('a', { cameInCount: 2 }), one('b', { cameInCount: 5 })], now);
  expect(cameIn).toEqual([
    { assignmentId: 'b', count: 5 },
    { assignmentId: 'a', count: 2 },
  ]);
});

test('what opens, is due and closes today on the class’s clock, told once for all who have the same date', () => {
  const ms = (text: string | null) => (text === null ? null : at(text));
  const to = (name: string, opensAt: string | null, dueAt: string | null, closesAt: string | null = null) => ({
    ...{ name, opensAt: ms(opensAt), dueAt: ms(dueAt), closesAt: ms(closesAt) },
  });
  const { dates } = teacherDay(
    [
      one('a', { to: [to('8 Amber', null, '2026-12-02T23:59'), to('8 Cobalt', null, '2026-12-02T23:59')] }),
      one('b', { to: [to('8 Amber', '2026-12-02T08:00', '2026-12-03T00:30', '2026-12-03T00:30')] }),
      one('c', { to: [to('8 Amber', null, '2026-12-02T12:00', '2026-12-02T12:00')] }),
    ],
    now,
  );
  expect(dates.map(({ assignmentId, kind, names }) => [assignmentId, kind, names.length])).toEqual([
    ['b', 'opens', 1],
    ['c', 'due', 1],
    ['a', 'due', 2],
  ]);
});

test('overnight begins at four of the day before, on Mondays and in weekends on Friday, also around the change of the clock', () => {
  expect(overnightSince(now, timeZone)).toBe(at('2026-12-01T16:00'));
  for (const day of ['2026-12-05', '2026-12-06', '2026-12-07'])
    expect([day, overnightSince(at(`${day}T08:00`), timeZone)]).toEqual([day, at('2026-12-04T16:00')]);
  // The clock goes forward on Sunday 28 March 2027, and back on Sunday 25 October 2026.
  expect(overnightSince(Date.parse('2027-03-29T08:00+02:00'), timeZone)).toBe(at('2027-03-26T16:00'));
  expect(overnightSince(Date.parse('2026-10-26T08:00+01:00'), timeZone)).toBe(Date.parse('2026-10-23T16:00+02:00'));
});

import { describe, expect, test } from 'vitest';
import { toInstant, toLocal } from '../calendar/local-time.ts';
import { datesTakenBack, extendedBy } from './extend-by.ts';
import { windowFault } from './window.ts';

const zone = 'Europe/Stockholm';
const at = (local: string) => toInstant(local, zone);
const local = (instant: number | null | undefined) => (instant == null ? null : toLocal(instant, zone));
const extend = (dueAt: string | null, closesAt: string | null, days: number, now = '2026-12-01T10:00') => {
  const window = { opensAt: null, dueAt: dueAt ? at(dueAt) : null, closesAt: closesAt ? at(closesAt) : null };
  const next = extendedBy(window, days, zone, at(now));
  return next && [local(next.dueAt), local(next.closesAt)];
};

describe('some days more', () => {
  test.each([
    ['2026-12-03T23:59', null, 7, ['2026-12-10T23:59', null]],
    ['2026-12-03T23:59', '2026-12-05T12:00', 7, ['2026-12-10T23:59', '2026-12-12T12:00']],
    [null, '2026-12-05T12:00', 1, [null, '2026-12-06T12:00']],
    [null, null, 7, null],
    // Two days and some hours over: it is due a week from the coming time of day.
    ['2026-11-29T08:00', null, 7, ['2026-12-09T08:00', null]],
    ['2026-11-29T23:59', '2026-12-08T23:59', 1, ['2026-12-02T23:59', '2026-12-11T23:59']],
  ] as const)('due %s, closes %s, %d more: %o', (due, closes, days, expected) =>
    expect(extend(due, closes, days)).toEqual(expected),
  );

  test('over a change of the clock the time of day stays', () => {
    // Stockholm goes back on 25 October 2026 and forward on 28 March 2027 (IANA tz database).
    expect(extend('2026-10-24T08:00', null, 1, '2026-10-20T10:00')).toEqual(['2026-10-25T08:00', null]);
    expect(extend('2027-03-27T02:30', null, 1, '2027-03-20T10:00')).toEqual(['2027-03-28T03:30', null]);
  });

  test('whatever the window, what comes of it is in order, later, and not over', () => {
    const hour = 3_600_000;
    const now = at('2026-12-01T10:00');
    for (let due = -400; due <= 400; due += 37)
      for (let more = 0; more <= 400; more += 53)
        for (const days of [1, 7, 30]) {
          const window = { opensAt: null, dueAt: now + due * hour, closesAt: now + (due + more) * hour };
          const next = extendedBy(window, days, zone, now);
          expect(next && windowFault(next)).toBeNull();
          expect(next?.dueAt).toBeGreaterThan(Math.max(now, window.dueAt));
        }
  });
});

describe('the last change of dates is taken back', () => {
  const window = (dueAt: number) => ({ opensAt: null, dueAt, closesAt: null });
  const extended = (at: number, dueAt: number) => ({ kind: 'extended' as const, at, window: window(dueAt) });
  const excused = { kind: 'excused' as const, at: 3 };
  test.each([
    ['nothing was changed', [excused], null],
    ['once', [extended(1, 10), excused], { kind: 'extensionEnded', at: 9 }],
    ['twice', [extended(1, 10), excused, extended(4, 20)], { kind: 'extended', at: 9, window: window(10) }],
    [
      'ended after',
      [extended(1, 10), { kind: 'extensionEnded' as const, at: 2 }],
      { kind: 'extended', at: 9, window: window(10) },
    ],
  ])('%s', (_, adjustments, expected) => expect(datesTakenBack(adjustments, 9)).toEqual(expected));
});

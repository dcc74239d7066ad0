import { describe, expect, test } from 'vitest';
import { windowFault, windowPhase } from '../assignment/window.ts';
import { localDay } from './local-day.ts';
import { endOfDay, toInstant, toLocal } from './local-time.ts';

/** Changes of 2026 in the IANA database: Europe/Stockholm leaves 02:00–03:00 out on 29 March and repeats it on 25 October. */
describe('a class clock', () => {
  const iso = (ms: number) => new Date(ms).toISOString();
  test.each([
    ['a winter evening', '2026-12-03T23:59', 'Europe/Stockholm', '2026-12-03T22:59:00.000Z'],
    ['an hour that does not exist: later', '2026-03-29T02:30', 'Europe/Stockholm', '2026-03-29T01:30:00.000Z'],
    ['an hour that comes twice: the first', '2026-10-25T02:30', 'Europe/Stockholm', '2026-10-25T00:30:00.000Z'],
    ['a zone off by quarters', '2026-06-01T08:00', 'Asia/Kathmandu', '2026-06-01T02:15:00.000Z'],
  ])('%s', (_, local, zone, expected) => expect(iso(toInstant(local, zone))).toBe(expected));

  test.each(['Europe/Stockholm', 'Asia/Kathmandu', 'Pacific/Apia', 'America/St_Johns'])(
    'the day alone, in %s',
    (zone) => {
      const start = Date.UTC(2026, 2, 27);
      for (let hour = 0; hour < 24 * 8; hour++) {
        const at = start + hour * 3_600_000 + 0.5;
        expect(localDay(at, zone)).toBe(toLocal(at, zone).slice(0, 10));
      }
      expect(() => localDay(start, 'Nowhere/At_All')).toThrow(RangeError);
    },
  );

  test('due on a day means its last second there', () => {
    expect(iso(endOfDay('2026-12-14', 'America/St_Johns'))).toBe('2026-12-15T03:29:59.000Z');
  });

  test('goes to a form and back', () => {
    expect(toLocal(toInstant('2026-12-03T08:05', 'Pacific/Auckland'), 'Pacific/Auckland')).toBe('2026-12-03T08:05');
  });

  test('what is no date or zone throws', () => {
    expect(() => toInstant('2026-13-01T00:00', 'Europe/Stockholm')).toThrow(RangeError);
    expect(() => toInstant('2026-12-01T00:00', 'Nowhere/Atall')).toThrow(RangeError);
  });
});

test('phases of a window, ends included', () => {
  const window = { opensAt: 10, dueAt: 20, closesAt: 30 };
  expect([9, 10, 20, 21, 30, 31].map((now) => windowPhase(window, now))).toEqual([
    'notYetOpen',
    'open',
    'open',
    'pastDue',
    'pastDue',
    'closed',
  ]);
  expect(windowPhase({ opensAt: null, dueAt: null, closesAt: null }, 5)).toBe('open');
});

test('a window out of order says how', () => {
  expect(windowFault({ opensAt: 10, dueAt: 10, closesAt: null })).toBe('dueBeforeOpens');
  expect(windowFault({ opensAt: null, dueAt: 10, closesAt: 9 })).toBe('closesBeforeDue');
  expect(windowFault({ opensAt: 10, dueAt: null, closesAt: 10 })).toBe('closesBeforeOpens');
  expect(windowFault({ opensAt: 1, dueAt: 2, closesAt: 2 })).toBeNull();
});

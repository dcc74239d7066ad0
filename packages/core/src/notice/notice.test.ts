import { describe, expect, test } from 'vitest';
import { isQuiet, mayMail } from './mail-time.ts';
import { noticesByTime, type Waiting } from './notices-by-time.ts';

const zone = 'Europe/Stockholm';
const hour = 3_600_000;
const at = (text: string) => Date.parse(text);
const due = at('2026-12-03T23:59:00+01:00');
const base: Waiting = {
  ...{ assignmentId: 'a', since: at('2026-11-20T08:00Z'), begun: false, handedIn: null, isExtra: false },
  window: { opensAt: null, dueAt: due, closesAt: null },
};
const kinds = (now: number, more: Partial<Waiting> = {}) =>
  noticesByTime({ ...base, ...more }, now, zone).map(({ kind }) => kind);

describe('what time brings', () => {
  test.each([
    ['the day before, from midnight on the school’s clock', '2026-12-02T00:00:00+01:00', ['dueTomorrow']],
    ['an hour before that midnight', '2026-12-01T23:00:00+01:00', []],
    ['on the day itself', '2026-12-03T08:00:00+01:00', []],
    ['just after', '2026-12-04T00:00:00+01:00', ['overdue']],
    ['a day and a bit after', '2026-12-05T00:00:00+01:00', []],
  ])('%s', (_, now, expected) => expect(kinds(at(now))).toEqual(expected));

  test('new, when it reaches somebody or opens, whichever comes last, and for a day', () => {
    const since = at('2026-12-01T09:00Z');
    expect(kinds(since + 1, { since })).toEqual(['new']);
    expect(kinds(since + 25 * hour, { since, window: { ...base.window, dueAt: null } })).toEqual([]);
    const window = { opensAt: since + 48 * hour, dueAt: null, closesAt: null };
    expect(kinds(since + 1, { since, window })).toEqual([]);
    expect(kinds(since + 49 * hour, { since, window })).toEqual(['new']);
    expect(kinds(since + 1, { since, begun: true })).toEqual([]);
  });

  test('who joins after the date is not told that they are late; extras press nobody; what is closed neither', () => {
    const after = due + hour;
    expect(kinds(after, { since: due + 1 })).toEqual(['new']);
    expect(kinds(after, { isExtra: true })).toEqual([]);
    expect(kinds(after, { window: { ...base.window, closesAt: due } })).toEqual([]);
  });

  test('handed in, there is a receipt and nothing else', () => {
    const handedIn = { attemptId: 'x', at: due + 1 };
    expect(kinds(due + hour, { handedIn })).toEqual(['receipt']);
    expect(kinds(due + 30 * hour, { handedIn })).toEqual([]);
  });

  test('the same thing has the same key, also by a clock an hour off; another date is another thing', () => {
    const key = (now: number, more = {}) => noticesByTime({ ...base, ...more }, now, zone)[0]?.key;
    expect(key(due - 20 * hour - hour)).toBe(undefined);
    expect(key(due - 24 * hour)).toBe(key(due - 25 * hour + 60_000 * 2));
    expect(key(due + hour)).toBe(key(due + 2 * hour));
    expect(key(due + hour, { window: { ...base.window, dueAt: due + 1 } })).not.toBe(key(due + hour));
  });
});

describe('by mail', () => {
  const quiet = { from: '20:00', until: '07:00' };
  test.each([
    ['2026-12-01T19:59:00+01:00', false],
    ['2026-12-01T20:00:00+01:00', true],
    ['2026-12-02T06:59:00+01:00', true],
    ['2026-12-02T07:00:00+01:00', false],
    // The night in which the clocks go back: 02:30 is there twice, and quiet both times.
    ['2026-10-25T02:30:00+02:00', true],
    ['2026-10-25T02:30:00+01:00', true],
  ])('%s is quiet: %s', (now, is) => expect(isQuiet(at(now), quiet, zone)).toBe(is));

  test('hours that end where they begin are none', () => {
    expect(isQuiet(at('2026-12-01T20:00Z'), { from: '20:00', until: '20:00' }, 'UTC')).toBe(false);
  });

  const may = (wish: 'none' | 'each' | 'daily', now: string, last: string | null = null) =>
    mayMail(wish, { now: at(now), lastMailAt: last === null ? null : at(last), quiet, timeZone: zone });
  test.each([
    ['none', '2026-12-01T12:00:00+01:00', null, false],
    ['each', '2026-12-01T12:00:00+01:00', '2026-12-01T11:59:00+01:00', true],
    ['each', '2026-12-01T23:00:00+01:00', null, false],
    ['daily', '2026-12-01T15:59:00+01:00', null, false],
    ['daily', '2026-12-01T16:00:00+01:00', null, true],
    ['daily', '2026-12-01T18:00:00+01:00', '2026-12-01T16:00:00+01:00', false],
    ['daily', '2026-12-02T16:00:00+01:00', '2026-12-01T16:00:00+01:00', true],
  ] as const)('%s at %s after %s: %s', (wish, now, last, goes) => expect(may(wish, now, last)).toBe(goes));
});

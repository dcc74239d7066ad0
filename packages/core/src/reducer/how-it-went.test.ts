import { describe, expect, test } from 'vitest';
import type { LearnerEventBody } from '../attempt/attempt-event.ts';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { longestBreakMs, maxSpells } from '../attempt/how-it-went.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { bridgeLesson } from '../test/bridge-lesson.ts';
import { takeInAll } from './take-in.ts';

const startAt = 1_000_000;
const minute = 60_000;
const context = createContext(bridgeLesson, defaultTerms);

/** Events of one device, each at its own time after the start. */
const onDevice = (timed: readonly (readonly [afterMs: number, body: LearnerEventBody])[], sittingId = 'a') =>
  timed.map(([afterMs, body], n) => ({
    ...{ ...body, id: `${sittingId}${n}`, sittingId, n },
    ...{ at: startAt + afterMs, receivedAt: startAt + afterMs },
  }));
const take = (...events: ReturnType<typeof onDevice>) =>
  takeInAll(context, beginAttempt({ begunAt: startAt, secret: 'of a test' }), events);
const met = (fromMs: number, toMs: number): LearnerEventBody => ({
  type: 'met',
  partId: 'clip',
  fromMs,
  toMs,
  rate: 1,
});

describe('how a learner went about it', () => {
  test('pauses where they paused, not where the film halts by itself; rewinds, not steps of a moment', () => {
    const { parts } = take(
      ...onDevice([
        [0, { type: 'opened' }],
        [5_000, met(10_000, 15_000)],
        [5_100, { type: 'paused', partId: 'clip', atMs: 15_000 }],
        [6_000, { type: 'sought', partId: 'clip', fromMs: 15_000, toMs: 11_000 }],
        [6_500, { type: 'sought', partId: 'clip', fromMs: 11_000, toMs: 10_500 }],
        [7_000, { type: 'paused', partId: 'clip', atMs: bridgeLesson.parts[0]?.stops[0]?.atMs ?? 0 }],
      ]),
    );
    expect(parts.clip).toMatchObject({ pauses: [15_000], rewinds: [[15_000, 11_000]] });
  });

  test('spells end with a long break; another device at the same time is part of the same one', () => {
    const { spells, spentIn, timeSpentMs } = take(
      ...onDevice([
        [0, { type: 'opened' }],
        [5_000, met(10_000, 15_000)],
        [6_000, { type: 'hidden' }],
        [30_000, { type: 'shown' }],
      ]),
      ...onDevice([[minute, { type: 'opened' }]], 'b'),
      ...onDevice([[2 * minute + longestBreakMs, { type: 'opened' }]], 'c'),
    );
    expect(spells).toEqual([
      { fromAt: startAt, untilAt: startAt + minute, spentMs: 6_000, timesAway: 1 },
      {
        fromAt: startAt + 2 * minute + longestBreakMs,
        untilAt: startAt + 2 * minute + longestBreakMs,
        spentMs: 0,
        timesAway: 0,
      },
    ]);
    expect(timeSpentMs).toBe(6_000);
    expect(spentIn).toEqual({ clip: 6_000 });
  });

  test('what was done without a connection belongs to when it was done, in whatever order it comes in', () => {
    const late = onDevice([[3 * longestBreakMs, { type: 'opened' }]], 'late').map((event) => ({
      ...event,
      at: startAt + 3 * longestBreakMs,
    }));
    const { spells } = take(
      ...onDevice([[0, { type: 'opened' }]]),
      ...late,
      ...onDevice([[longestBreakMs / 2, { type: 'opened' }]], 'd'),
    );
    expect(spells?.map(({ fromAt, untilAt }) => [fromAt - startAt, untilAt - startAt])).toEqual([
      [0, longestBreakMs / 2],
      [3 * longestBreakMs, 3 * longestBreakMs],
    ]);
  });

  test('a state holds so much of it and no more', () => {
    const often = Array.from({ length: maxSpells + 20 }, (_, i) =>
      onDevice([[i * 2 * longestBreakMs, { type: 'opened' }]], `s${i}`),
    );
    const { spells } = take(...often.flat());
    expect(spells).toHaveLength(maxSpells);
    expect(spells?.[0]?.fromAt).toBe(startAt + 20 * 2 * longestBreakMs);
  });
});

import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { AttemptEvent, LearnerEventBody } from '../attempt/attempt-event.ts';
import { type AttemptState, beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { longLesson, longLessonStops } from '../test/long-lesson.ts';
import { replay, takeIn, takeInAll } from './take-in.ts';

const minute = 60_000;
const begunAt = 1_000_000;
const count = longLessonStops;
const context = createContext(longLesson, defaultTerms);
const slow = createContext(longLesson, { ...defaultTerms, maxRate: 1 });
const answer = (i: number): LearnerEventBody => ({
  type: 'answered',
  stopId: `s-${i}`,
  responses: { [`q-${i}`]: { kind: 'choice', optionIds: ['o-compression'] } },
});

/** Everything one device does while it plays the whole clip: by its own clock, whatever is sent when. */
function deviceAt(startAt: number, sittingId = 'offline', rate = 1): AttemptEvent[] {
  let at = startAt;
  let n = 0;
  const events: AttemptEvent[] = [];
  const add = (body: LearnerEventBody) =>
    events.push({ ...body, id: `${sittingId}-${n}`, sittingId, n: n++, at, receivedAt: at });
  add({ type: 'opened' });
  for (let i = 0; i < count; i++) {
    for (let fromMs = i * minute; fromMs < (i + 1) * minute; fromMs += 5_000) {
      at += 5_000 / rate;
      add({ type: 'met', partId: 'clip', fromMs, toMs: fromMs + 5_000, rate });
    }
    add({ type: 'reachedStop', stopId: `s-${i}` });
    at += 4_000;
    add(answer(i));
  }
  return events;
}

const arrivingAt = (events: readonly AttemptEvent[], receivedAt: number) =>
  events.map((event) => ({ ...event, receivedAt }));
const begin = () => beginAttempt({ begunAt, secret: 'of a test' });
const answeredIn = (state: AttemptState) =>
  Object.values(state.stops).filter(({ phase }) => phase === 'answered').length;
const seen = ({ intake: _, discrepancies, ...rest }: AttemptState) => ({
  ...rest,
  cutMs: discrepancies.cutMs,
  refused: discrepancies.refusedCount,
  stops: Object.fromEntries(Object.entries(rest.stops).map(([id, { arrivedAt: __, ...stop }]) => [id, stop])),
});

describe('half an hour offline', () => {
  const events = deviceAt(begunAt + 2_000);
  const lastAt = events.at(-1)?.at ?? 0;
  const live = takeInAll(context, begin(), events);

  test('as it happens, all of it is taken', () => {
    expect(answeredIn(live)).toBe(count);
    expect(live.discrepancies).toMatchObject({ cutMs: 0, refusedCount: 0, lateAnswers: 0 });
  });

  test('any batching, with pauses, and however late, gives the same state', () => {
    const cuts = fc.array(fc.integer({ min: 1, max: events.length - 1 }), { maxLength: 8 });
    const waits = fc.array(fc.integer({ min: 0, max: 30 * minute }), { minLength: 9, maxLength: 9 });
    fc.assert(
      fc.property(cuts, waits, fc.constantFrom(context, slow), (at, pauses, walked) => {
        const bounds = [...new Set([0, ...at, events.length])].toSorted((a, b) => a - b);
        let receivedAt = lastAt;
        let state = begin();
        for (let i = 0; i + 1 < bounds.length; i++) {
          receivedAt += pauses[i] ?? 0;
          state = takeInAll(walked, state, arrivingAt(events.slice(bounds[i], bounds[i + 1]), receivedAt));
        }
        expect(seen(state)).toEqual(seen(live));
      }),
    );
  });

  test('with a second device playing in between, all twelve answers are there', () => {
    for (const walked of [context, slow]) {
      const second = deviceAt(begunAt + 3 * minute, 'second').slice(0, 13);
      const state = takeInAll(walked, begin(), [
        ...events.slice(0, 1),
        ...second,
        ...arrivingAt(events.slice(1), lastAt + 2 * minute),
      ]);
      expect(answeredIn(state)).toBe(count);
      expect(state.discrepancies.cutMs).toBe(0);
    }
  });

  test('answers that came in much later than they were given say so', () => {
    const state = takeInAll(context, begin(), arrivingAt(events, lastAt + 10 * minute));
    expect(answeredIn(state)).toBe(count);
    expect(state.discrepancies.lateAnswers).toBe(count);
    expect(state.stops['s-0']).toMatchObject({ arrivedAt: lastAt + 10 * minute, settledAt: begunAt + 66_000 });
  });

  test.each([-3_600_000, 3_600_000, 86_400_000 * 400])(
    'by a clock that is wrong by %d ms nothing is lost',
    (wrongMs) => {
      const wrong = events.map((event) => ({ ...event, at: event.at + wrongMs }));
      const flushes = [0, 20, 77].map((from, i, all) => wrong.slice(from, all[i + 1]));
      let state = begin();
      for (const [i, batch] of flushes.entries())
        state = takeInAll(context, state, arrivingAt(batch, i === 0 ? begunAt + 3 * minute : lastAt + i * minute));
      expect(answeredIn(state)).toBe(count);
    },
  );
});

describe('what is not believed', () => {
  const claim = (n: number, at: number, fromMs: number, toMs: number, sittingId = 'a'): AttemptEvent => ({
    ...{ type: 'met', partId: 'clip', fromMs, toMs, rate: 2, id: `${sittingId}${n}`, sittingId, n },
    ...{ at, receivedAt: at },
  });
  const bare = (type: 'opened' | 'hidden' | 'shown', n: number, at: number, sittingId = 'a'): AttemptEvent => ({
    ...{ type, id: `${sittingId}${n}`, sittingId, n, at, receivedAt: at },
  });
  const open = createContext(
    { ...longLesson, parts: longLesson.parts.map((part) => ({ ...part, outMs: 3_600_000, stops: [] })) },
    defaultTerms,
  );
  const metMs = (state: AttemptState) => state.parts.clip?.furthestMs ?? 0;

  test('film that is said to have played while the tab was hidden', () => {
    const events = [
      bare('opened', 0, begunAt),
      claim(1, begunAt + 60_000, 0, 60_000),
      bare('hidden', 2, begunAt + 61_000),
      claim(3, begunAt + 69_000, 60_000, 76_000),
    ];
    const state = takeInAll(open, begin(), events);
    // What was met in the second before hiding may be told just after, at the fastest rate, with a second of slack.
    expect(metMs(state)).toBeLessThanOrEqual(60_000 + 4_000);
    expect(state.discrepancies.hiddenMs).toBeGreaterThanOrEqual(12_000);
    expect(state.timeSpentMs).toBe(61_000);
  });

  test('an hour saved up before the tab was hidden', () => {
    const at = begunAt + 3_600_000;
    const events = [
      bare('opened', 0, begunAt),
      claim(1, at - 1, 0, 1_000),
      bare('hidden', 2, at),
      claim(3, at + 9, 1_000, 600_000),
    ];
    expect(metMs(takeInAll(open, begin(), events))).toBeLessThan(5_000);
  });

  test('a hundred sittings that each claim the same minute', () => {
    const at = begunAt + minute;
    const events = Array.from({ length: 100 }, (_, i) => [
      { ...bare('opened', 0, begunAt, `s${i}`), receivedAt: at },
      claim(1, at, i * 120_000, (i + 1) * 120_000, `s${i}`),
    ]).flat();
    const state = takeInAll(open, begin(), events);
    expect(metMs(state)).toBeLessThanOrEqual((minute + 5_000) * 2);
    expect(state.timeSpentMs).toBeLessThanOrEqual(minute + 5_000);
    expect(Object.keys(state.intake.sittings).length).toBeLessThanOrEqual(40);
  });

  test('device time that is forged: no more time on task than has passed, and no more film', () => {
    const forged = Array.from(
      { length: 50 },
      (_, i): AttemptEvent => ({
        ...claim(i, begunAt + i * 119_000, i * 100_000, (i + 1) * 100_000),
        receivedAt: begunAt + 10_000 + i,
      }),
    );
    const state = takeInAll(open, begin(), forged);
    expect(state.timeSpentMs).toBeLessThanOrEqual(15_100);
    expect(metMs(state)).toBeLessThanOrEqual(15_100 * 2);
  });
});

describe('an event that does not come', () => {
  const events = deviceAt(begunAt);
  const hole = 0;

  test('holds up what follows for ten minutes, and no longer; should it come after all, it is taken', () => {
    const missing = events[hole] as AttemptEvent;
    const others = events.filter((event) => event !== missing && event.n < hole + 30);
    const state = takeInAll(context, begin(), others);
    expect(state.intake.held.length).toBe(29);
    const laterAt = begunAt + 40 * minute;
    const later = { ...(events[hole + 30] as AttemptEvent), receivedAt: laterAt };
    const released = takeIn(context, state, later);
    expect(released.outcome.kind).toBe('taken');
    expect(released.state.intake.held).toEqual([]);
    const late = takeIn(context, released.state, { ...missing, receivedAt: laterAt + 1 });
    expect(late.outcome.kind).toBe('taken');
    expect(takeIn(context, late.state, { ...missing, receivedAt: laterAt + 2 }).outcome.kind).toBe('repeated');
  });

  test('what is held is bounded in length; beyond it nothing is kept, and it can be sent again', () => {
    let state = begin();
    const kinds = new Map<string, number>();
    for (let n = 1; n < 40; n++) {
      const response = { kind: 'extendedText', text: 'x'.repeat(20_000) } as const;
      const body = { type: 'draftSaved', stopId: 's-0', questionId: 'q-0', response } as const;
      const result = takeIn(context, state, {
        ...body,
        id: `${n}`,
        sittingId: 'a',
        n,
        at: begunAt,
        receivedAt: begunAt,
      });
      state = result.state;
      kinds.set(result.outcome.kind, (kinds.get(result.outcome.kind) ?? 0) + 1);
    }
    expect(JSON.stringify(state).length).toBeLessThan(70_000);
    expect(kinds.get('tooEarly')).toBe(36);
  });
});

describe('the window', () => {
  const closesAt = begunAt + 30 * minute;
  const window = { opensAt: null, dueAt: begunAt + 20 * minute, closesAt };
  const closing = { ...context, windowAt: () => window };
  const events = deviceAt(begunAt + 1_000);

  test('work that was done in time and came in after closing waits for a teacher, and counts once they say so', () => {
    const log = arrivingAt(events, closesAt + 60 * minute);
    const state = takeInAll(closing, begin(), log);
    expect(answeredIn(state)).toBe(0);
    expect(state.afterClosing).toMatchObject({ answers: count, events: events.length, fromAt: begunAt + 1_000 });
    const admitted: AttemptEvent = {
      ...{ type: 'admitted', until: closesAt + 60 * minute, by: 'teacher' },
      ...{ id: 't', sittingId: 'teacher', n: 0, at: closesAt + 90 * minute, receivedAt: closesAt + 90 * minute },
    };
    const after = replay(closing, { begunAt, secret: 'of a test' }, [...log, admitted]);
    expect(answeredIn(after)).toBe(count);
    expect(after.afterClosing).toBeUndefined();
  });

  test('what was done after closing is refused, whenever it comes', () => {
    const late = deviceAt(closesAt + 1);
    expect(takeIn(closing, begin(), late[0] as AttemptEvent).outcome).toEqual({
      kind: 'refused',
      reason: 'windowClosed',
    });
  });

  test('an answer held back over closing does not count by itself, nor does what was handed in come back after it was due', () => {
    const early = takeInAll(closing, begin(), events.slice(0, 14));
    const heldBack = { ...(events[15] as AttemptEvent), ...answer(0), n: 15, receivedAt: closesAt - 1 } as AttemptEvent;
    const holding = takeIn(closing, early, heldBack);
    expect(holding.outcome.kind).toBe('held');
    const filler = { ...(events[14] as AttemptEvent), receivedAt: closesAt + 5 * minute };
    const released = takeIn(closing, holding.state, filler).state;
    expect(answeredIn(released)).toBe(0);
    expect(released.afterClosing?.events).toBe(2);

    const done = takeInAll(closing, begin(), events);
    const at = (events.at(-1)?.at ?? 0) + 1_000;
    const bare = (type: 'handedIn' | 'withdrawn' | 'opened', n: number, receivedAt: number): AttemptEvent => ({
      ...{ type, id: `${n}`, sittingId: 'offline', n, at, receivedAt },
    });
    const next = done.intake.sittings.offline?.next ?? 0;
    const handedIn = takeIn(closing, done, bare('handedIn', next, at)).state;
    expect(handedIn.handedInAt).toBe(at);
    const held = takeIn(closing, handedIn, bare('withdrawn', next + 2, at)).state;
    const after = takeIn(closing, held, bare('opened', next + 1, window.dueAt + 2 * minute)).state;
    expect(after.handedInAt).toBe(at);
    expect(after.afterClosing).toMatchObject({ events: 1 });
  });
});

import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { AttemptEvent, LearnerEventBody } from '../attempt/attempt-event.ts';
import { type AttemptState, beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms, type Terms } from '../attempt/terms.ts';
import { metMs } from '../coverage/coverage.ts';
import { hasMaterial } from '../lesson/lesson.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { bridgeLesson, createSitting, wholeWalk } from '../test/bridge-lesson.ts';
import { progressOf } from '../walk/progress.ts';
import { takeIn, takeInAll } from './take-in.ts';

const startAt = 1_000_000;
const begin = (_terms: Terms = defaultTerms) => beginAttempt({ begunAt: startAt, secret: 'of a test' });
const contextOf = (terms: Partial<Terms> = {}) => createContext(bridgeLesson, { ...defaultTerms, ...terms });
const walk = (bodies: readonly LearnerEventBody[], sittingId = 'a') => {
  const event = createSitting(sittingId, startAt);
  return bodies.map((body) => event(body));
};
const outcomesOf = (events: readonly AttemptEvent[], context = contextOf()) => {
  let state = begin(context.terms);
  return events.map((event) => {
    const result = takeIn(context, state, event);
    state = result.state;
    return result.outcome.kind === 'refused' ? result.outcome.reason : result.outcome.kind;
  });
};

/** What a learner and a teacher can see; leaves out the book-keeping of arrival. */
const visible = ({ intake: _intake, version: _version, discrepancies, ...rest }: AttemptState) => ({
  ...rest,
  cutMs: discrepancies.cutMs,
});

test('an honest walk is taken whole and marked', () => {
  const state = takeInAll(contextOf(), begin(), walk(wholeWalk));
  expect(state.discrepancies).toEqual({ cutMs: 0, hiddenMs: 0, lateAnswers: 0, refusedCount: 0, refusals: [] });
  expect(state.handedInAt).not.toBeNull();
  expect(metMs(state.parts.clip?.coverage ?? [], { fromMs: 10_000, toMs: 50_000 })).toBe(40_000);
  expect(state.stops['s-one']?.answers['q-one']?.points).toBe(200);
  expect(state.stops['s-two']?.answers['q-several']?.points).toBe(0);
  expect(state.stops['s-two']?.answers['q-written']).toMatchObject({ points: null, markedBy: null });
  expect(progressOf(bridgeLesson, state)).toBe(1);
});

describe('order and repetition', () => {
  const events = walk(wholeWalk).map((event) => ({ ...event, receivedAt: startAt + 3_600_000 }));
  const expected = visible(takeInAll(contextOf(), begin(), events));

  test('events in any order of arrival, some sent twice, give the same state', () => {
    const arrivals = fc
      .shuffledSubarray(events, { minLength: events.length })
      .chain((order) => fc.shuffledSubarray([...order, ...order.slice(0, 5)], { minLength: order.length + 5 }));
    fc.assert(
      fc.property(arrivals, (arrival) => {
        const state = takeInAll(contextOf(), begin(), arrival);
        expect(visible(state)).toEqual(expected);
        expect(state.intake.held).toEqual([]);
      }),
    );
  });

  test('any batching, with the state stored as JSON between batches, gives the same state', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: events.length }), { maxLength: 6 }), (cuts) => {
        const bounds = [0, ...cuts.toSorted((a, b) => a - b), events.length];
        let state = begin();
        for (const [i, from] of bounds.entries()) {
          const batch = events.slice(from, bounds[i + 1] ?? from);
          state = JSON.parse(JSON.stringify(takeInAll(contextOf(), state, batch))) as AttemptState;
        }
        expect(visible(state)).toEqual(expected);
      }),
    );
  });

  test('sending the whole walk again changes nothing at all', () => {
    const once = takeInAll(contextOf(), begin(), events);
    expect(takeInAll(contextOf(), once, events)).toBe(once);
  });

  test('two devices: each keeps its own order, and between them the order of arrival decides', () => {
    const phone = walk(
      [
        { type: 'opened' },
        { type: 'met', partId: 'clip', fromMs: 10_000, toMs: 20_000, rate: 1 },
        { type: 'reachedStop', stopId: 's-one' },
        { type: 'answered', stopId: 's-one', responses: { 'q-one': { kind: 'choice', optionIds: ['o-tension'] } } },
      ],
      'phone',
    );
    const laptop = walk(
      [
        { type: 'opened' },
        { type: 'met', partId: 'clip', fromMs: 10_000, toMs: 20_000, rate: 1 },
        { type: 'reachedStop', stopId: 's-one' },
        { type: 'answered', stopId: 's-one', responses: { 'q-one': { kind: 'choice', optionIds: ['o-compression'] } } },
      ],
      'laptop',
    );
    const mixed = fc.infiniteStream(fc.boolean()).map((coin) => {
      const left = [...phone];
      const right = [...laptop];
      const arrival: AttemptEvent[] = [];
      while (left.length + right.length > 0) {
        const source = coin.next().value && left.length > 0 ? left : right.length > 0 ? right : left;
        arrival.push(source.shift() as AttemptEvent);
      }
      return arrival.map((event, i) => ({ ...event, receivedAt: startAt + (i + 1) * 60_000 }));
    });
    fc.assert(
      fc.property(mixed, (arrival) => {
        const state = takeInAll(contextOf(), begin(), arrival);
        const first = arrival.find((event) => event.type === 'answered');
        const points = first?.sittingId === 'laptop' ? 200 : 0;
        expect(state.stops['s-one']?.answers['q-one']?.points).toBe(points);
        expect(new Set(state.discrepancies.refusals.map((refusal) => refusal.reason))).toEqual(
          new Set(['alreadySettled']),
        );
        expect(takeInAll(contextOf(), begin(), arrival)).toEqual(state);
      }),
    );
  });
});

describe('what is not believed', () => {
  test.each([1, 2])('a text may be met four times as fast as it is read, whatever the films’ rate %d', (maxRate) => {
    const parts = bridgeLesson.parts
      .filter(hasMaterial)
      .map((part) => ({ ...part, kind: 'reading' as const, outMs: 500_000, stops: [] }));
    const context = createContext({ ...bridgeLesson, parts }, { ...defaultTerms, maxRate });
    const event = createSitting('a', startAt);
    const claim = { ...event({ type: 'met', partId: 'clip', fromMs: 10_000, toMs: 400_000, rate: 1 }) };
    const opened = { ...claim, type: 'opened' as const };
    const at = startAt + 10_000;
    const state = takeInAll(context, begin(), [opened, { ...claim, n: 1, at, receivedAt: at }]);
    // Ten seconds and the slack of five.
    expect(state.parts.clip?.coverage).toEqual([{ fromMs: 10_000, toMs: 10_000 + 4 * 15_000, times: 1 }]);
  });

  test('an hour met in a minute: the film time beyond the clock is cut and noted', () => {
    const lesson = {
      ...bridgeLesson,
      parts: bridgeLesson.parts.map((part) => ({ ...part, inMs: 0, outMs: 3_600_000, stops: [] })),
    };
    const context = createContext(lesson, defaultTerms);
    const event = createSitting('a', startAt);
    const state = takeInAll(context, begin(), [
      event({ type: 'opened' }, startAt),
      event({ type: 'met', partId: 'clip', fromMs: 0, toMs: 3_600_000, rate: 2 }, startAt + 60_000),
    ]);
    // Domain 1: media seconds ≤ (wall-clock seconds + 5) × the highest rate allowed.
    expect(metMs(state.parts.clip?.coverage ?? [], { fromMs: 0, toMs: 3_600_000 })).toBe((60 + 5) * 1000 * 2);
    expect(state.discrepancies.cutMs).toBe(3_600_000 - 130_000);
  });

  test('the five seconds of slack are granted once, not with every request', () => {
    const context = createContext(
      { ...bridgeLesson, parts: bridgeLesson.parts.map((part) => ({ ...part, inMs: 0, outMs: 3_600_000, stops: [] })) },
      defaultTerms,
    );
    const event = createSitting('a', startAt);
    const claims = Array.from({ length: 100 }, (_, i) =>
      event({ type: 'met', partId: 'clip', fromMs: i * 10_000, toMs: (i + 1) * 10_000, rate: 2 }, startAt + i * 100),
    );
    const state = takeInAll(context, begin(), claims);
    expect(metMs(state.parts.clip?.coverage ?? [], { fromMs: 0, toMs: 3_600_000 })).toBeLessThanOrEqual(
      (9.9 + 5) * 2000,
    );
  });

  test('film beyond an unanswered stop', () => {
    const state = takeInAll(
      contextOf(),
      begin(),
      walk([{ type: 'opened' }, { type: 'met', partId: 'clip', fromMs: 10_000, toMs: 45_000, rate: 1 }]),
    );
    expect(state.parts.clip?.furthestMs).toBe(20_000);
    expect(state.discrepancies.cutMs).toBe(25_000);
  });

  test.each<[string, LearnerEventBody[], string]>([
    [
      'a jump past the furthest point',
      [{ type: 'met', partId: 'clip', fromMs: 15_000, toMs: 18_000, rate: 1 }],
      'beyondGate',
    ],
    ['a stop before the film got there', [{ type: 'reachedStop', stopId: 's-one' }], 'notReached'],
    [
      'an answer before the stop was reached',
      [{ type: 'answered', stopId: 's-one', responses: { 'q-one': { kind: 'choice', optionIds: ['o-compression'] } } }],
      'notOpen',
    ],
    ['handing in at the start', [{ type: 'handedIn' }], 'notFinished'],
    ['a part that is not there', [{ type: 'met', partId: 'elsewhere', fromMs: 0, toMs: 1, rate: 1 }], 'partUnknown'],
    ['a stop that is not there', [{ type: 'acknowledged', stopId: 'elsewhere' }], 'stopUnknown'],
  ])('%s', (_, bodies, reason) => {
    expect(outcomesOf(walk(bodies)).at(-1)).toBe(reason);
  });

  const toFirstStop = wholeWalk.slice(0, 3);
  test.each<[string, LearnerEventBody[], string]>([
    [
      'a second answer',
      [
        wholeWalk[3] as LearnerEventBody,
        { type: 'answered', stopId: 's-one', responses: { 'q-one': { kind: 'choice', optionIds: ['o-tension'] } } },
      ],
      'alreadySettled',
    ],
    [
      'an option that does not exist',
      [{ type: 'answered', stopId: 's-one', responses: { 'q-one': { kind: 'choice', optionIds: ['o-nowhere'] } } }],
      'unfitting',
    ],
    [
      'two options where one is asked',
      [
        {
          type: 'answered',
          stopId: 's-one',
          responses: { 'q-one': { kind: 'choice', optionIds: ['o-tension', 'o-compression'] } },
        },
      ],
      'unfitting',
    ],
    [
      'an answer of another kind',
      [{ type: 'answered', stopId: 's-one', responses: { 'q-one': { kind: 'extendedText', text: 'both' } } }],
      'unfitting',
    ],
    ['an empty answer', [{ type: 'answered', stopId: 's-one', responses: {} }], 'blank'],
    ['acknowledging a checkpoint', [{ type: 'acknowledged', stopId: 's-one' }], 'wrongKind'],
    ['passing a required checkpoint', [{ type: 'passedStop', stopId: 's-one' }], 'mayNotPass'],
  ])('%s', (_, bodies, reason) => {
    expect(outcomesOf(walk([...toFirstStop, ...bodies])).at(-1)).toBe(reason);
  });

  test('going back while a question is open, where the terms forbid it', () => {
    const back: LearnerEventBody = { type: 'met', partId: 'clip', fromMs: 12_000, toMs: 14_000, rate: 1 };
    expect(outcomesOf(walk([...toFirstStop, back])).at(-1)).toBe('taken');
    expect(outcomesOf(walk([...toFirstStop, back]), contextOf({ rewindAtStops: false })).at(-1)).toBe('lockedByStop');
  });

  test('a device clock that is wrong by an hour cannot make time spent', () => {
    const event = createSitting('a', startAt);
    const state = takeInAll(contextOf(), begin(), [
      { ...event({ type: 'opened' }, startAt + 3_600_000), receivedAt: startAt },
      { ...event({ type: 'shown' }, startAt + 7_200_000), receivedAt: startAt + 1_000 },
    ]);
    expect(state.timeSpentMs).toBeLessThanOrEqual(6_000);
  });
});

test('with skipping on, a learner may pass over stops and hand in; what is left counts as passed', () => {
  const context = contextOf({ skipping: true });
  const events = walk([
    { type: 'opened' },
    { type: 'met', partId: 'clip', fromMs: 38_000, toMs: 40_000, rate: 1 },
    { type: 'reachedStop', stopId: 's-two' },
    { type: 'passedStop', stopId: 's-two' },
    { type: 'handedIn' },
  ]);
  const state = takeInAll(context, begin(), events);
  expect(state.discrepancies.refusedCount).toBe(0);
  expect(Object.values(state.stops).map((stop) => stop.phase)).toEqual(['passed', 'passed', 'passed']);
});

test('a passed stop can be opened again and answered, with what was written so far', () => {
  const context = contextOf({ skipping: true });
  const draft: LearnerEventBody = {
    type: 'draftSaved',
    stopId: 's-one',
    questionId: 'q-one',
    response: { kind: 'choice', optionIds: ['o-tension'] },
  };
  const state = takeInAll(
    context,
    begin(),
    walk([
      ...wholeWalk.slice(0, 3),
      draft,
      { type: 'passedStop', stopId: 's-one' },
      { type: 'reachedStop', stopId: 's-one' },
    ]),
  );
  expect(state.stops['s-one']).toMatchObject({ phase: 'open', drafts: { 'q-one': draft.response } });
});

test('a teacher marks, marks again and comments; points out of range are refused', () => {
  const mark = createSitting('teacher', startAt + 7_200_000);
  const on = { stopId: 's-two', questionId: 'q-written', by: 't' } as const;
  const state = takeInAll(contextOf(), begin(), [
    ...walk(wholeWalk),
    mark({ type: 'marked', ...on, points: 100 }),
    mark({ type: 'marked', ...on, points: 350 }),
    mark({ type: 'commented', ...on, text: 'Say why.' }),
    mark({ type: 'marked', ...on, points: 401 }),
  ]);
  expect(state.stops['s-two']?.answers['q-written']).toMatchObject({ points: 350, markedBy: 't', comment: 'Say why.' });
  expect(state.discrepancies.refusals.map((refusal) => refusal.reason)).toEqual(['pointsOutOfRange']);
});

test('progress never falls along any walk of random events', () => {
  const body = fc.oneof(
    fc.constantFrom(...wholeWalk),
    fc.record({
      type: fc.constant('met' as const),
      partId: fc.constant('clip'),
      fromMs: fc.integer({ min: 0, max: 60_000 }),
      toMs: fc.integer({ min: 0, max: 60_000 }),
      rate: fc.constant(1),
    }),
  );
  fc.assert(
    fc.property(fc.array(body, { maxLength: 60 }), fc.boolean(), (bodies, skipping) => {
      const context = contextOf({ skipping });
      let state = begin();
      let before = 0;
      for (const event of walk(bodies)) {
        state = takeIn(context, state, event).state;
        const progress = progressOf(bridgeLesson, state);
        expect(progress).toBeGreaterThanOrEqual(before);
        before = progress;
      }
    }),
  );
});

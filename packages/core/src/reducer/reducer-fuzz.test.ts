import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  type AttemptEvent,
  type EventBody,
  type LearnerEventBody,
  teacherSittingId,
} from '../attempt/attempt-event.ts';
import { type AttemptState, beginAttempt, slackMs } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { metMs } from '../coverage/coverage.ts';
import { everyKind } from '../examples/every-kind.ts';
import type { Lesson } from '../lesson/lesson.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { bridgeLesson, pickOne, written } from '../test/bridge-lesson.ts';
import { progressOf } from '../walk/progress.ts';
import type { WalkContext } from '../walk/walk-lesson.ts';
import { replay, takeIn } from './take-in.ts';

/** A fresh one each time; what failed is run again with `SEMITA_SEED`. */
const seed = Number(process.env.SEMITA_SEED ?? Date.now() % 2 ** 31);
console.info(`seed of the reducer's fuzzer: ${seed}`);
const timeLimitMs = 25_000;

const begunAt = 1_000_000;
const windowMs = 60_000;

const tried = { ...pickOne, id: 'q-tried', tries: { count: 3, laterPercent: 50 }, hint: { text: 'Look', cost: 25 } };
const timed = { ...everyKind.numeric, id: 'q-timed', timeLimitMs: 20_000 };
const lesson: Lesson = {
  ...bridgeLesson,
  parts: bridgeLesson.parts.slice(0, 1).map((part) => ({
    ...part,
    ...{ inMs: 0, outMs: windowMs },
    stops: [
      { id: 's-0', kind: 'checkpoint', atMs: 10_000, required: true, questions: [tried] },
      { id: 's-1', kind: 'checkpoint', atMs: 20_000, required: true, questions: [timed, { ...written, id: 'q-long' }] },
      { id: 's-2', kind: 'pause', atMs: 30_000, required: true, note: 'Breathe.' },
      { id: 's-3', kind: 'checkpoint', atMs: 40_000, required: false, questions: [{ ...pickOne, id: 'q-last' }] },
    ] as never,
  })),
};

const stopId = fc.constantFrom('s-0', 's-1', 's-2', 's-3', 's-gone');
const asked = fc.constantFrom(
  ...([
    ['s-0', 'q-tried'],
    ['s-1', 'q-timed'],
    ['s-1', 'q-long'],
    ['s-3', 'q-last'],
    ['s-0', 'q-gone'],
  ] as const),
);
const response = fc.oneof(
  fc.constantFrom(
    { kind: 'choice' as const, optionIds: ['o-compression'] },
    { kind: 'choice' as const, optionIds: ['o-tension'] },
    { kind: 'choice' as const, optionIds: [] },
  ),
  fc.string({ maxLength: 40 }).map((text) => ({ kind: 'extendedText' as const, text })),
  fc.constantFrom('3.23 kN', 'x', '').map((text) => ({ kind: 'numeric' as const, text })),
);
const place = fc.integer({ min: -1, max: windowMs + 5_000 });
const one = <T extends LearnerEventBody['type']>(type: T) => fc.constant({ type });
/** What a browser says, and what somebody says who makes it up. */
const body = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({
      type: fc.constant('met'),
      partId: fc.constant('clip'),
      fromMs: place,
      toMs: place,
      rate: fc.constantFrom(0.5, 1, 2, 16),
    }),
  },
  {
    weight: 4,
    arbitrary: fc
      .nat(5)
      .map((k) => ({ type: 'met', partId: 'clip', fromMs: k * 10_000, toMs: (k + 1) * 10_000, rate: 1 })),
  },
  { weight: 4, arbitrary: fc.record({ type: fc.constant('reachedStop'), stopId }) },
  {
    weight: 4,
    arbitrary: fc
      .record({ type: fc.constant('answered'), asked, response })
      .map(({ asked: [stop, question], response: given }) => ({
        type: 'answered',
        stopId: stop,
        responses: { [question]: given },
      })),
  },
  {
    weight: 2,
    arbitrary: fc.record({ asked, response }).map(({ asked: [stop, question], response: given }) => ({
      type: 'draftSaved',
      stopId: stop,
      questionId: question,
      response: given,
    })),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(fc.constantFrom('began', 'hintTaken'), asked)
      .map(([type, [stop, question]]) => ({ type, stopId: stop, questionId: question })),
  },
  {
    weight: 1,
    arbitrary: fc
      .record({ asked, response: fc.option(response) })
      .map(({ asked: [stop, question], response: given }) => ({
        type: 'timeUp',
        stopId: stop,
        questionId: question,
        response: given,
      })),
  },
  {
    weight: 1,
    arbitrary: fc.record({ asked, response }).map(({ asked: [stop, question], response: given }) => ({
      type: 'revised',
      stopId: stop,
      questionId: question,
      response: given,
    })),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(fc.constantFrom('acknowledged', 'passedStop', 'kept'), stopId)
      .map(([type, id]) => ({ type, stopId: id })),
  },
  { weight: 2, arbitrary: fc.oneof(one('hidden'), one('shown'), one('opened'), one('gap')) },
  { weight: 1, arbitrary: fc.oneof(one('handedIn'), one('withdrawn')) },
  {
    weight: 1,
    arbitrary: fc.record({ type: fc.constant('sought'), partId: fc.constant('clip'), fromMs: place, toMs: place }),
  },
) as fc.Arbitrary<LearnerEventBody>;

const byTeacher = asked.chain(([stop, question]) => {
  const on = { stopId: stop, questionId: question, by: 'teacher' };
  return fc.constantFrom<EventBody>(
    { type: 'marked', points: 50, ...on },
    { type: 'commented', text: 'Once more.', ...on },
    { type: 'returned', ...on },
    { type: 'remarked', earned: 25, earlier: [100], ...on },
    { type: 'extended', extraTime: 1.5, by: 'teacher' },
  );
});

/** What one device does, by a clock that can be wrong, or be set in the middle. */
const device = fc.record({
  wrongMs: fc.constantFrom(0, 0, 0, 90_000, -90_000, 3_600_000, -86_400_000 * 500),
  steps: fc.array(
    fc.record({
      body,
      waitMs: fc.constantFrom(0, 40, 1_000, 10_000, 15_000, 600_000),
      setByMs: fc.constantFrom(0, 0, 0, 0, 0, -7_200_000, 7_200_000),
    }),
    { minLength: 1, maxLength: 40 },
  ),
});

/** In what order things come in: the next of a device, one that is sent out of turn, one sent again, a teacher's. */
const turn = fc.record({
  device: fc.nat(3),
  jump: fc.constantFrom(0, 0, 0, 0, 1, 2, 7),
  again: fc.constantFrom(false, false, false, true),
  teacher: fc.option(byTeacher, { freq: 12 }),
  waitMs: fc.constantFrom(0, 0, 0, 5, 1_000, 20_000, 700_000),
});

function eventsOf(
  devices: readonly {
    wrongMs: number;
    steps: readonly { body: LearnerEventBody; waitMs: number; setByMs: number }[];
  }[],
) {
  return devices.map(({ wrongMs, steps }, index) => {
    let at = begunAt + wrongMs;
    let realAt = begunAt;
    return steps.map((step, n) => {
      at += step.waitMs + step.setByMs;
      realAt += step.waitMs;
      return { event: { ...step.body, id: `${index}-${n}`, sittingId: `device-${index}`, n, at }, realAt };
    });
  });
}

/** As the server's log keeps it. */
const logged = (event: AttemptEvent, outcome: { kind: string; reason?: unknown }): AttemptEvent =>
  outcome.kind === 'refused' && event.sittingId !== teacherSittingId
    ? ({
        ...{ type: 'refused', was: event.type, reason: outcome.reason },
        id: event.id,
        sittingId: event.sittingId,
        n: event.n,
        at: event.at,
        receivedAt: event.receivedAt,
      } as AttemptEvent)
    : event;

test('whatever comes in, in any order, from any devices and clocks', { timeout: 60_000 }, () => {
  const contexts = fc.record({
    skipping: fc.boolean(),
    maxRate: fc.constantFrom(1, 2),
    closesAfterMs: fc.option(fc.constantFrom(30_000, 600_000, 3_000_000)),
  });
  let runs = 0;
  fc.assert(
    fc.property(
      contexts,
      fc.array(device, { minLength: 1, maxLength: 4 }),
      fc.array(turn, { minLength: 5, maxLength: 120 }),
      (terms, devices, turns) => {
        runs++;
        const closesAt = terms.closesAfterMs === null ? null : begunAt + terms.closesAfterMs;
        const context: WalkContext = {
          ...createContext(lesson, { ...defaultTerms, skipping: terms.skipping, maxRate: terms.maxRate }),
          windowAt: () => ({ opensAt: null, dueAt: null, closesAt }),
        };
        const queues = eventsOf(devices);
        const sent: AttemptEvent[] = [];
        const log: AttemptEvent[] = [];
        let now = begunAt;
        let state: AttemptState = beginAttempt({ begunAt, secret: 'of a fuzzer' });
        let teacherN = 0;
        let progress = 0;
        const take = (event: AttemptEvent) => {
          const wasHandedIn = state.handedInAt !== null;
          const result = takeIn(context, state, event);
          if (result.outcome.kind !== 'repeated' && result.outcome.kind !== 'tooEarly')
            log.push(logged(event, result.outcome));
          // What is stored and read again is the same.
          state = JSON.parse(JSON.stringify(result.state));
          expect(result.state).toEqual(state);
          const after = progressOf(context.lesson, state);
          // What is taken back is not handed in any more.
          if (wasHandedIn && state.handedInAt === null) progress = 0;
          expect(after).toBeGreaterThanOrEqual(progress - 1e-9);
          expect(after).toBeLessThanOrEqual(1);
          progress = after;
          if (event.sittingId !== teacherSittingId) sent.push(event);
          return result.outcome;
        };
        for (const { device: which, jump, again, teacher, waitMs } of turns) {
          now += waitMs;
          if (teacher)
            take({
              ...teacher,
              id: `t-${teacherN}`,
              sittingId: teacherSittingId,
              n: teacherN++,
              at: now,
              receivedAt: now,
            });
          const earlier = sent[Math.floor(sent.length / 2)];
          if (again && earlier && log.some(({ id }) => id === earlier.id)) {
            const before = state;
            expect(takeIn(context, state, { ...earlier, receivedAt: now }).outcome.kind).toBe('repeated');
            expect(state).toBe(before);
          }
          const queue = queues[which % queues.length] ?? [];
          const [next] = queue.splice(Math.min(jump, queue.length - 1), 1);
          if (!next) continue;
          // Nothing comes in before it was done; a clock may say so all the same.
          now = Math.max(now, next.realAt);
          take({ ...next.event, receivedAt: now } as AttemptEvent);
        }
        // No more time on task, and no more film, than there was time for.
        expect(state.timeSpentMs).toBeLessThanOrEqual(now - begunAt + slackMs);
        const film = state.parts.clip ? metMs(state.parts.clip.coverage, { fromMs: 0, toMs: windowMs }) : 0;
        expect(film).toBeLessThanOrEqual((now - begunAt + 2 * slackMs * devices.length) * terms.maxRate + 1);
        // Whoever may not skip has settled what stands before.
        if (!terms.skipping) {
          const order = ['s-0', 's-1', 's-2'].map((id) => state.stops[id]?.phase);
          order.forEach((phase, index) => {
            const later = order.slice(index + 1).some((one) => one !== undefined);
            if (later) expect(['answered', 'acknowledged']).toContain(phase);
          });
        }
        expect(JSON.stringify(state).length).toBeLessThan(120_000);
        expect(replay(context, { begunAt, secret: 'of a fuzzer' }, log)).toEqual(state);
      },
    ),
    { seed, numRuns: 2_000, interruptAfterTimeLimit: timeLimitMs },
  );
  expect(runs).toBeGreaterThan(20);
});

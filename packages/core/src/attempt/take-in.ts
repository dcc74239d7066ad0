import { advance } from './advance.ts';
import { type AttemptEvent, type LearnerEvent, teacherEventTypes } from './attempt-event.ts';
import { type AttemptState, type Refusal, slackMs } from './attempt-state.ts';
import { ownContext } from './own-lesson.ts';
import { progressOf } from './progress.ts';
import { applyRevised } from './revise-answer.ts';
import { applyAtStop, applyHandedIn } from './take-in-at-stop.ts';
import { applyMet, moveTo } from './take-in-material.ts';
import { applyTeacher, type TeacherEvent } from './take-in-teacher.ts';
import type { WalkContext } from './walk-lesson.ts';

/** What became of an event. Every one but `repeated` adds to the log, so that nothing that arrived is lost. */
export type Outcome =
  | { readonly kind: 'taken' }
  | { readonly kind: 'repeated' }
  /** Kept until the earlier events of its sitting arrive. */
  | { readonly kind: 'held' }
  | { readonly kind: 'refused'; readonly reason: Refusal };

/** A gap in device time longer than this counts only this much towards time spent. */
export const longestCountedGapMs = 120_000;

/** Events kept waiting for an earlier one, at most. */
export const mostHeldEvents = 500;

/**
 * The one reducer. Serves the server, the browser while offline, exports and tests.
 *
 * The same event twice changes nothing; events of one sitting count in the order the sitting numbered them, in
 * whatever order they arrive; between sittings the order is that of arrival.
 * @returns the state after, and what became of the event
 */
export function takeIn(
  shared: WalkContext,
  state: AttemptState,
  event: AttemptEvent,
): { readonly state: AttemptState; readonly outcome: Outcome } {
  const context = ownContext(shared, state);
  const next = state.intake.next[event.sittingId] ?? 0;
  const isHeld = state.intake.held.some((held) => held.sittingId === event.sittingId && held.n === event.n);
  if (event.n < next || isHeld) return { state, outcome: { kind: 'repeated' } };
  const seen = { ...state, version: state.version + 1 };
  if (event.n > next) {
    if (state.intake.held.length >= mostHeldEvents) return refuse(seen, event, 'tooFarAhead');
    return {
      state: { ...seen, intake: { ...seen.intake, held: [...seen.intake.held, event] } },
      outcome: { kind: 'held' },
    };
  }
  const first = applyInTurn(context, seen, event);
  return { state: drainHeld(context, first.state, event.sittingId, event.receivedAt), outcome: first.outcome };
}

/** Folds events into a state; for rebuilding and for tests. */
export function takeInAll(context: WalkContext, state: AttemptState, events: Iterable<AttemptEvent>): AttemptState {
  let current = state;
  for (const event of events) current = takeIn(context, current, event).state;
  return current;
}

function drainHeld(context: WalkContext, state: AttemptState, sittingId: string, receivedAt: number): AttemptState {
  let current = state;
  for (;;) {
    const n = current.intake.next[sittingId];
    const held = current.intake.held.find((event) => event.sittingId === sittingId && event.n === n);
    if (!held) return current;
    const rest = current.intake.held.filter((event) => event !== held);
    current = { ...current, intake: { ...current.intake, held: rest } };
    // Its turn came when the gap was filled, so that is when it counts.
    const inTurn = { ...held, receivedAt: Math.max(held.receivedAt, receivedAt) };
    current = applyInTurn(context, current, inTurn).state;
  }
}

interface Applied {
  readonly state: AttemptState;
  readonly outcome: Outcome;
}

function applyInTurn(context: WalkContext, state: AttemptState, event: AttemptEvent): Applied {
  const counted: AttemptState = {
    ...state,
    intake: { ...state.intake, next: { ...state.intake.next, [event.sittingId]: event.n + 1 } },
  };
  if (isTeacherEvent(event)) return toApplied(counted, event, applyTeacher(context, counted, event));
  const present = countPresence(context, counted, event);
  const result = applyLearner(context, present, event);
  return toApplied(present, event, typeof result === 'string' ? result : onTheWay(context, result));
}

/** Where there are several ways, the student is taken on by what has just happened, and progress keeps its best. */
function onTheWay(context: WalkContext, state: AttemptState): AttemptState {
  const after = advance(context, state);
  if (!after.route) return after;
  return { ...after, route: { ...after.route, progress: progressOf(context.lesson, after) } };
}

function toApplied(before: AttemptState, event: AttemptEvent, result: AttemptState | Refusal): Applied {
  return typeof result === 'string' ? refuse(before, event, result) : { state: result, outcome: { kind: 'taken' } };
}

function refuse(state: AttemptState, event: AttemptEvent, reason: Refusal): Applied {
  const { doubts } = state;
  return {
    state: {
      ...state,
      doubts: {
        ...doubts,
        refusedCount: doubts.refusedCount + 1,
        refusals: [...doubts.refusals.slice(-9), { eventId: event.id, reason }],
      },
    },
    outcome: { kind: 'refused', reason },
  };
}

/** Renews the credits from the server's clock and counts time spent from the device's, never beyond the credit. */
function countPresence(context: WalkContext, state: AttemptState, event: AttemptEvent): AttemptState {
  const { intake } = state;
  const receivedAt = Math.max(event.receivedAt, intake.creditAt);
  const elapsedMs = receivedAt - intake.creditAt;
  const slackFilmMs = slackMs * context.terms.maxRate;
  const filmCreditMs =
    elapsedMs === 0
      ? intake.filmCreditMs
      : Math.min(intake.filmCreditMs, slackFilmMs) + elapsedMs * context.terms.maxRate;
  const timeCreditMs = intake.timeCreditMs + elapsedMs;
  const clock = intake.clocks[event.sittingId];
  const gapMs = clock && !clock.away ? Math.min(Math.max(0, event.at - clock.at), longestCountedGapMs) : 0;
  const spentMs = Math.min(gapMs, timeCreditMs);
  return {
    ...state,
    lastSeenAt: Math.max(state.lastSeenAt, event.receivedAt),
    timeSpentMs: state.timeSpentMs + spentMs,
    intake: {
      ...intake,
      filmCreditMs,
      creditAt: receivedAt,
      timeCreditMs: timeCreditMs - spentMs,
      clocks: {
        ...intake.clocks,
        [event.sittingId]: { at: event.at, away: event.type === 'hidden' || event.type === 'handedIn' },
      },
    },
  };
}

function isTeacherEvent(event: AttemptEvent): event is TeacherEvent {
  return teacherEventTypes.has(event.type);
}

function applyLearner(context: WalkContext, state: AttemptState, event: LearnerEvent): AttemptState | Refusal {
  switch (event.type) {
    case 'opened':
    case 'hidden':
    case 'shown':
      return state;
    case 'met':
      return applyMet(context, state, event);
    case 'paused':
      return moveTo(context, state, event.partId, event.atMs);
    case 'sought':
      return moveTo(context, state, event.partId, event.toMs);
    case 'handedIn':
      return applyHandedIn(context, state, event);
    case 'withdrawn':
      return state.handedInAt === null ? 'notHandedIn' : { ...state, handedInAt: null };
    case 'revised':
      return applyRevised(context, state, event);
    default:
      return applyAtStop(context, state, event);
  }
}

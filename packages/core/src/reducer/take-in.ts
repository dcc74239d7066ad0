import { type AttemptEvent, type LearnerEvent, teacherSittingId } from '../attempt/attempt-event.ts';
import { type AttemptState, type Beginning, beginAttempt } from '../attempt/attempt-state.ts';
import { type EventTime, timeOf } from '../attempt/event-time.ts';
import { eventTraits } from '../attempt/event-traits.ts';
import { withPartTime } from '../attempt/how-it-went.ts';
import { countPresence } from '../attempt/presence.ts';
import type { Refusal } from '../attempt/refusal.ts';
import { afterNumber, isSeen, withSitting } from '../attempt/sittings.ts';
import { advance } from '../walk/advance.ts';
import { progressOf } from '../walk/progress.ts';
import type { WalkContext } from '../walk/walk-lesson.ts';
import { applyRevised } from './revise-answer.ts';
import { applyAtStop, applyHandedIn } from './take-in-at-stop.ts';
import { applyMet, applyPaused, applySought } from './take-in-material.ts';
import { applyTeacher, type TeacherEvent } from './take-in-teacher.ts';
import { judgeWindow, keptForTeacher } from './window-gate.ts';

/** What became of an event. */
export type Outcome =
  | { readonly kind: 'taken' }
  | { readonly kind: 'repeated' }
  /** Kept until the earlier events of its sitting arrive. */
  | { readonly kind: 'held' }
  /** Done in time, and in when the assignment was closed: kept whole, and a teacher says whether it counts. */
  | { readonly kind: 'afterClosing' }
  /** Not taken, and not to be kept: the earlier events of its sitting have to come first. */
  | { readonly kind: 'tooEarly' }
  | { readonly kind: 'refused'; readonly reason: Refusal };

/** Events kept waiting for an earlier one, at most, and how much they may hold together, in characters of JSON. */
export const maxHeldEvents = 200;
export const maxHeldLength = 64_000;

/** An event that waited this long for an earlier one is taken without it, in ms. */
export const longestHeldMs = 10 * 60_000;

/**
 * The one reducer. Serves the server, the browser while offline, exports and tests.
 *
 * The same event twice changes nothing; events of one sitting count in the order the sitting numbered them, in
 * whatever order they arrive; between sittings the order is that of arrival. When something happened is for
 * `event-time.ts` to say; when it came in decides only where it must: what was late, and which key was in force.
 * @returns the state after, and what became of the event
 */
export function takeIn(
  shared: WalkContext,
  before: AttemptState,
  event: AttemptEvent,
): { readonly state: AttemptState; readonly outcome: Outcome } {
  const lesson = shared.own?.(shared.lesson, before) ?? shared.lesson;
  const context = lesson === shared.lesson ? shared : { ...shared, lesson };
  const isHeld = before.intake.held.some((held) => held.sittingId === event.sittingId && held.n === event.n);
  if (isHeld || isSeen(before.intake.sittings[event.sittingId], event.n))
    return { state: before, outcome: { kind: 'repeated' } };
  const released = letGo(context, before, event.receivedAt);
  const sitting = released.intake.sittings[event.sittingId];
  // Drafts whose place this one took had the numbers before its own.
  const first = event.n - (event.merged?.count ?? 0);
  if (first > (sitting?.next ?? 0)) return hold(released, event);
  const seen = { ...released, version: released.version + 1 + (event.merged?.count ?? 0) };
  const applied = applyInTurn(context, seen, event);
  return { state: drainHeld(context, applied.state, event.sittingId, event.receivedAt), outcome: applied.outcome };
}

/** Folds events into a state; for rebuilding and for tests. */
export function takeInAll(context: WalkContext, state: AttemptState, events: Iterable<AttemptEvent>): AttemptState {
  let current = state;
  for (const event of events) current = takeIn(context, current, event).state;
  return current;
}

/** The state of an attempt by its whole log, computed anew: what a teacher admitted later counts from where it stands. */
export function replay(context: WalkContext, beginning: Beginning, log: readonly AttemptEvent[]): AttemptState {
  const admissions = log.flatMap((event) => (event.type === 'admitted' ? [event.until] : []));
  const admittedUntil = admissions.length > 0 ? Math.max(...admissions) : undefined;
  return takeInAll(context, beginAttempt({ ...beginning, admittedUntil }), log);
}

function hold(state: AttemptState, event: AttemptEvent): { state: AttemptState; outcome: Outcome } {
  const held = [...state.intake.held, event];
  const isTooMuch = held.length > maxHeldEvents || JSON.stringify(held).length > maxHeldLength;
  if (isTooMuch) return { state, outcome: { kind: 'tooEarly' } };
  return {
    state: { ...state, version: state.version + 1, intake: { ...state.intake, held } },
    outcome: { kind: 'held' },
  };
}

/** Takes what has waited too long for an event that does not come. */
function letGo(context: WalkContext, state: AttemptState, now: number): AttemptState {
  let current = state;
  for (;;) {
    const ripe = current.intake.held.filter(({ receivedAt }) => receivedAt + longestHeldMs <= now);
    if (ripe.length === 0) return current;
    const first = ripe.reduce((a, b) => (b.sittingId === a.sittingId && b.n < a.n ? b : a));
    current = takeHeld(context, current, first, now);
    current = drainHeld(context, current, first.sittingId, now);
  }
}

function drainHeld(context: WalkContext, state: AttemptState, sittingId: string, receivedAt: number): AttemptState {
  let current = state;
  for (;;) {
    if (current.intake.held.length === 0) return current;
    const n = current.intake.sittings[sittingId]?.next;
    const held = current.intake.held.find((event) => event.sittingId === sittingId && event.n === n);
    if (!held) return current;
    current = takeHeld(context, current, held, receivedAt);
  }
}

/** An event whose turn has come: that is when it counts as having come in. */
function takeHeld(context: WalkContext, state: AttemptState, held: AttemptEvent, now: number): AttemptState {
  const { intake } = state;
  const without = { ...state, intake: { ...intake, held: intake.held.filter((event) => event !== held) } };
  return applyInTurn(context, without, held, Math.max(held.receivedAt, now)).state;
}

interface Applied {
  readonly state: AttemptState;
  readonly outcome: Outcome;
}

function applyInTurn(
  context: WalkContext,
  state: AttemptState,
  event: AttemptEvent,
  turnAt = event.receivedAt,
): Applied {
  const sitting = state.intake.sittings[event.sittingId];
  if (isTeacherEvent(event)) {
    const { at } = event;
    const known = { at, heardAt: turnAt, shiftMs: 0, deviceAt: at, deviceMs: 0, away: false, creditMs: 0, metAtMs: 0 };
    const counted = withSitting(state, teacherSittingId, { ...known, ...afterNumber(sitting, event.n) });
    return toApplied(counted, event, applyTeacher(context, counted, event));
  }
  // It happened before it came in, and not only before its turn.
  const time = timeOf(event, sitting, state.begunAt);
  const inTurn = { ...event, at: time.at, receivedAt: turnAt };
  const present = countPresence(context.terms, state, inTurn, time);
  const applied = applyPresent(context, present, inTurn, time, present.timeSpentMs - state.timeSpentMs);
  return { ...applied, state: withPartTime(applied.state, present.timeSpentMs - state.timeSpentMs) };
}

function applyPresent(
  context: WalkContext,
  present: AttemptState,
  inTurn: LearnerEvent | Extract<AttemptEvent, { type: 'refused' }>,
  time: EventTime,
  spentMs: number,
): Applied {
  if (inTurn.type === 'refused') return refuse(present, inTurn, inTurn.reason);
  const verdict = judgeWindow(context, present, inTurn);
  if (verdict.kind === 'refused') return refuse(present, inTurn, verdict.reason);
  if (verdict.kind === 'afterClosing')
    return { state: keptForTeacher(present, inTurn, verdict.limitAt), outcome: { kind: 'afterClosing' } };
  const result = applyLearner(context, present, inTurn, time, spentMs);
  return toApplied(present, inTurn, typeof result === 'string' ? result : onTheWay(context, result));
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
  const { discrepancies } = state;
  return {
    state: {
      ...state,
      discrepancies: {
        ...discrepancies,
        refusedCount: discrepancies.refusedCount + 1,
        refusals: [...discrepancies.refusals.slice(-9), { eventId: event.id, reason }],
      },
    },
    outcome: { kind: 'refused', reason },
  };
}

function isTeacherEvent(event: AttemptEvent): event is TeacherEvent {
  return eventTraits[event.type].by === 'teacher';
}

function applyLearner(
  context: WalkContext,
  state: AttemptState,
  event: LearnerEvent,
  { at }: EventTime,
  spentMs: number,
): AttemptState | Refusal {
  switch (event.type) {
    case 'opened':
    case 'hidden':
    case 'shown':
    case 'gap':
      return state;
    case 'met':
      return applyMet(context, state, event, spentMs);
    case 'paused':
      return applyPaused(context, state, event);
    case 'sought':
      return applySought(context, state, event);
    case 'handedIn':
      return applyHandedIn(context, state, event);
    case 'withdrawn':
      return state.handedInAt === null || at < state.handedInAt ? 'notHandedIn' : { ...state, handedInAt: null };
    case 'revised':
      return applyRevised(context, state, event);
    default:
      return applyAtStop(context, state, event);
  }
}

import { addInterval } from '../coverage/coverage.ts';
import { isFitting } from '../question/response.ts';
import { advance, turnBackTo, turnIntoTile, withTile } from './advance.ts';
import { type AttemptEvent, teacherEventTypes } from './attempt-event.ts';
import {
  type AttemptState,
  type PartState,
  type Refusal,
  type StopPhase,
  type StopState,
  slackMs,
  withStop,
} from './attempt-state.ts';
import {
  canHandIn,
  findOpenStop,
  gateToleranceMs,
  isMaterialLocked,
  isPartOpen,
  isStopReached,
  mayPass,
  openChoices,
  playLimitMs,
} from './gates.ts';
import { answersTo, mayTryQuestion } from './give-answers.ts';
import { ownContext } from './own-lesson.ts';
import { progressOf } from './progress.ts';
import { applyRevised, applyRevisedDraft } from './revise-answer.ts';
import { stopsOnRoute } from './route.ts';
import { isBoardDone, isSettled, partStateOf, phaseOf } from './settled.ts';
import { applyTeacher, type TeacherEvent } from './take-in-teacher.ts';
import type { Terms } from './terms.ts';
import { isTimeUp } from './time-limit.ts';
import { findPart, findStop, hintCostOf, type WalkContext, type WalkPart, type WalkStop } from './walk-lesson.ts';

/** What became of an event. Every one but `repeated` adds to the log, so that nothing that arrived is lost. */
export type Outcome =
  | { readonly kind: 'taken' }
  | { readonly kind: 'repeated' }
  /** Kept until the earlier events of its sitting arrive. */
  | { readonly kind: 'held' }
  | { readonly kind: 'refused'; readonly reason: Refusal };

/** A gap in device time longer than this counts only this much towards time spent. */
export const longestCountedGapMs = 120_000;

/** How many times faster than an adult reader somebody may read and be believed. */
export const fastestReading = 4;

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

type LearnerEvent = Exclude<AttemptEvent, TeacherEvent>;

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

type MetEvent = Extract<LearnerEvent, { type: 'met' }>;

function applyMet(context: WalkContext, state: AttemptState, event: MetEvent): AttemptState | Refusal {
  const part = findPart(context.lesson, event.partId);
  if (!part) return 'partUnknown';
  if (!isPartOpen(context, state, part.id)) return 'beyondGate';
  if (isMaterialLocked(context, state)) return 'lockedByStop';
  const before = partStateOf(state, part);
  if (!context.terms.skipping && event.fromMs > before.furthestMs + gateToleranceMs) return 'beyondGate';
  const fromMs = Math.max(event.fromMs, part.inMs);
  const gateMs = playLimitMs(part, state, context.terms);
  const price = creditPriceOf(part, context.terms);
  const creditEndMs = fromMs + state.intake.filmCreditMs / price;
  const toMs = Math.round(Math.min(event.toMs, gateMs, part.outMs, creditEndMs));
  const claimedMs = Math.max(0, event.toMs - event.fromMs);
  const believedMs = Math.max(0, toMs - fromMs);
  const overMs = claimedMs - believedMs;
  const doubts =
    overMs > gateToleranceMs ? { ...state.doubts, cutMs: state.doubts.cutMs + Math.round(overMs) } : state.doubts;
  if (believedMs === 0) return { ...state, doubts };
  const after: PartState = {
    coverage: addInterval(before.coverage, { fromMs, toMs }),
    furthestMs: Math.max(before.furthestMs, toMs),
    positionMs: toMs,
  };
  return {
    ...state,
    doubts,
    currentPartId: part.id,
    parts: { ...state.parts, [part.id]: after },
    intake: { ...state.intake, filmCreditMs: state.intake.filmCreditMs - believedMs * price },
  };
}

/**
 * What a millisecond of a part costs of the film credit, which grows with the clock times the fastest rate. A text or
 * slides may be met at up to four times the pace of an adult reader, whatever the rate for films: about 950 words a
 * minute, beyond which nobody reads. From memory, no source.
 */
function creditPriceOf(part: WalkPart, terms: Terms): number {
  return part.kind === 'clip' ? 1 : terms.maxRate / fastestReading;
}

/** Remembers where to go on; a place beyond the gate is pulled back to it. */
function moveTo(context: WalkContext, state: AttemptState, partId: string, atMs: number): AttemptState | Refusal {
  const part = findPart(context.lesson, partId);
  if (!part) return 'partUnknown';
  if (!isPartOpen(context, state, partId)) return 'beyondGate';
  const before = partStateOf(state, part);
  const limitMs = context.terms.skipping
    ? part.outMs
    : Math.min(before.furthestMs, playLimitMs(part, state, context.terms));
  const positionMs = Math.min(Math.max(atMs, part.inMs), Math.max(limitMs, part.inMs));
  return { ...state, currentPartId: partId, parts: { ...state.parts, [partId]: { ...before, positionMs } } };
}

type AtStopEvent = Exclude<
  LearnerEvent,
  { type: 'opened' | 'hidden' | 'shown' | 'met' | 'paused' | 'sought' | 'handedIn' | 'withdrawn' | 'revised' }
>;

function applyAtStop(context: WalkContext, state: AttemptState, event: AtStopEvent): AttemptState | Refusal {
  const found = findStop(context.lesson, event.stopId);
  if (!found) return 'stopUnknown';
  if (event.type === 'draftSaved' && state.stops[event.stopId]?.answers[event.questionId]?.returned)
    return applyRevisedDraft(found.stop, state, event);
  if (state.handedInAt !== null) return 'alreadyHandedIn';
  const { part, stop } = found;
  if (event.type === 'chose') return applyChose(context, state, stop, event);
  if (event.type === 'openedTile' || event.type === 'didTile') return applyTile(context, state, stop, event);
  const phase = phaseOf(state, stop.id);
  if (event.type === 'reachedStop') return applyReached(context, state, part, stop, event);
  if (phase === 'ahead' || phase === 'passed') return 'notOpen';
  if (phase !== 'open') return 'alreadySettled';
  const before = state.stops[stop.id] as StopState;
  const settled = { ...before, settledAt: event.receivedAt };
  switch (event.type) {
    case 'draftSaved': {
      if (stop.kind !== 'checkpoint') return 'wrongKind';
      const question = stop.questions.find((candidate) => candidate.id === event.questionId);
      if (!question) return 'questionUnknown';
      if (!isFitting(question, event.response)) return 'unfitting';
      if (isTimeUp(stop, before, state, event.receivedAt)) return 'timeUp';
      return withStop(state, stop.id, { ...before, drafts: { ...before.drafts, [question.id]: event.response } });
    }
    case 'hintTaken': {
      const question = stop.kind === 'checkpoint' && stop.questions.find(({ id }) => id === event.questionId);
      if (!question) return 'questionUnknown';
      if (hintCostOf(question) === null) return 'noHint';
      return withStop(state, stop.id, { ...before, hints: [...new Set([...(before.hints ?? []), question.id])] });
    }
    case 'answered': {
      if (stop.kind !== 'checkpoint') return 'wrongKind';
      const isLate = isTimeUp(stop, before, state, event.receivedAt);
      // What was written in time counts; what came later does not.
      const responses = isLate ? before.drafts : event.responses;
      const answers = answersTo(context, stop, before, { responses, isLate, at: event.receivedAt });
      if (typeof answers === 'string') return answers;
      const maySeveral = !isLate && stop.questions.some((question) => mayTryQuestion(question, answers[question.id]));
      return withStop(
        state,
        stop.id,
        maySeveral ? { ...before, drafts: {}, answers } : { ...settled, phase: 'answered', drafts: {}, answers },
      );
    }
    case 'kept':
      return stop.kind === 'checkpoint' && Object.keys(before.answers).length > 0
        ? withStop(state, stop.id, { ...settled, phase: 'answered', drafts: {} })
        : 'notAnswered';
    case 'acknowledged':
      if (stop.kind === 'board' && !isBoardDone(stop, before) && !context.terms.skipping) return 'needNotMet';
      return stop.kind === 'pause' || stop.kind === 'board'
        ? withStop(state, stop.id, { ...settled, phase: 'acknowledged' })
        : 'wrongKind';
    case 'passedStop':
      if (!mayPass(stop, context.terms)) return 'mayNotPass';
      // What was answered and could be tried again is left as it is.
      return withStop(state, stop.id, { ...settled, phase: leftPhase(before) });
  }
}

type ChoseEvent = Extract<LearnerEvent, { type: 'chose' }>;

function applyChose(
  context: WalkContext,
  state: AttemptState,
  stop: WalkStop,
  event: ChoseEvent,
): AttemptState | Refusal {
  if (stop.kind !== 'fork') return 'wrongKind';
  if (!openChoices(context.lesson, state, stop.choices).some(({ id }) => id === event.choiceId)) return 'choiceUnknown';
  const before = state.stops[stop.id];
  if (before?.phase === 'chosen' && !context.terms.turningBack) return 'mayNotTurnBack';
  if (!before || before.phase === 'passed') return 'notOpen';
  const base = before.phase === 'chosen' ? turnBackTo(context.lesson, state, stop.id) : state;
  if (!base) return 'notReached';
  const { choiceId } = event;
  return withStop(base, stop.id, { ...before, phase: 'chosen', choiceId, settledAt: event.receivedAt });
}

type TileEvent = Extract<LearnerEvent, { type: 'openedTile' | 'didTile' }>;

function applyTile(
  context: WalkContext,
  state: AttemptState,
  stop: WalkStop,
  event: TileEvent,
): AttemptState | Refusal {
  if (stop.kind !== 'board') return 'wrongKind';
  const tile = stop.tiles.find(({ id }) => id === event.tileId);
  if (!tile) return 'choiceUnknown';
  if (phaseOf(state, stop.id) !== 'open' || findOpenStop(context.lesson, state)?.stop.id !== stop.id) return 'notOpen';
  if (tile.to.kind === 'address')
    return withTile(state, stop.id, tile.id, event.type === 'didTile' ? 'done' : 'opened');
  if (event.type === 'didTile') return 'wrongKind';
  if (state.stops[stop.id]?.tiles?.[tile.id] === 'done') return 'alreadySettled';
  return turnIntoTile(context.lesson, state, stop.id, tile) ?? 'notReached';
}

function applyReached(
  context: WalkContext,
  state: AttemptState,
  part: WalkPart,
  stop: WalkStop,
  event: AttemptEvent,
): AttemptState | Refusal {
  const phase = phaseOf(state, stop.id);
  // Two devices can reach the same stop; the second finds it open.
  if (phase === 'open') return state;
  if (phase === 'answered' || phase === 'acknowledged' || phase === 'chosen') return 'alreadySettled';
  if (!isStopReached(context, state, part, stop)) return 'notReached';
  const before = partStateOf(state, part);
  return withStop(
    {
      ...state,
      currentPartId: part.id,
      parts: {
        ...state.parts,
        [part.id]: { ...before, positionMs: stop.atMs, furthestMs: Math.max(before.furthestMs, stop.atMs) },
      },
    },
    stop.id,
    {
      phase: 'open',
      openedAt: event.receivedAt,
      openedAtSpentMs: state.timeSpentMs,
      settledAt: null,
      drafts: state.stops[stop.id]?.drafts ?? {},
      answers: {},
    },
  );
}

/** What a stop becomes that is left while it is open. */
function leftPhase(stop: StopState | undefined): StopPhase {
  return Object.keys(stop?.answers ?? {}).length > 0 ? 'answered' : 'passed';
}

function applyHandedIn(context: WalkContext, state: AttemptState, event: AttemptEvent): AttemptState | Refusal {
  if (state.handedInAt !== null) return 'alreadyHandedIn';
  if (!canHandIn(context, state)) return 'notFinished';
  const onRoute = stopsOnRoute(context.lesson, state);
  const left = context.lesson.parts
    .flatMap((part) => part.stops)
    .filter(({ id }) => !isSettled(state, id) && (onRoute?.has(id) ?? true));
  const passed = left.map((stop): [string, StopState] => [
    stop.id,
    {
      openedAt: event.receivedAt,
      openedAtSpentMs: state.timeSpentMs,
      drafts: {},
      answers: {},
      ...state.stops[stop.id],
      phase: leftPhase(state.stops[stop.id]),
      settledAt: event.receivedAt,
    },
  ]);
  return {
    ...state,
    handedInAt: event.receivedAt,
    stops: { ...state.stops, ...Object.fromEntries(passed) },
  };
}

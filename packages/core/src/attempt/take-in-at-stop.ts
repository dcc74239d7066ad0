import { isFitting } from '../question/response.ts';
import { turnBackTo, turnIntoTile, withTile } from './advance.ts';
import type { AttemptEvent, LearnerEvent } from './attempt-event.ts';
import { type AttemptState, type Refusal, type StopPhase, type StopState, withStop } from './attempt-state.ts';
import { canHandIn, findOpenStop, isStopReached, mayPass, openChoices } from './gates.ts';
import { answersTo, mayTryQuestion } from './give-answers.ts';
import { applyRevisedDraft } from './revise-answer.ts';
import { stopsOnRoute } from './route.ts';
import { isBoardDone, isSettled, partStateOf, phaseOf } from './settled.ts';
import { isTimeUp } from './time-limit.ts';
import { findStop, hintCostOf, type WalkContext, type WalkPart, type WalkStop } from './walk-lesson.ts';

export type AtStopEvent = Exclude<
  LearnerEvent,
  { type: 'opened' | 'hidden' | 'shown' | 'met' | 'paused' | 'sought' | 'handedIn' | 'withdrawn' | 'revised' }
>;

/** What a learner does at a stop: reaches it, writes, answers, chooses, reads, passes. */
export function applyAtStop(context: WalkContext, state: AttemptState, event: AtStopEvent): AttemptState | Refusal {
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

/** Hands in; what is still open on the way is left. */
export function applyHandedIn(context: WalkContext, state: AttemptState, event: AttemptEvent): AttemptState | Refusal {
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

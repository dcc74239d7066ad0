import type { AttemptEvent, LearnerEvent } from '../attempt/attempt-event.ts';
import { type AttemptState, type StopPhase, type StopState, settledAs, withStop } from '../attempt/attempt-state.ts';
import type { Refusal } from '../attempt/refusal.ts';
import { isBlank, isFitting } from '../question/response.ts';
import { turnBackTo, turnIntoTile, withTile } from '../walk/advance.ts';
import { canHandIn, findOpenStop, isStopReached, mayPass, openChoices } from '../walk/gates.ts';
import { progressOf } from '../walk/progress.ts';
import { stopsOnRoute } from '../walk/route.ts';
import { isBoardDone, isSettled, partStateOf, phaseOf } from '../walk/settled.ts';
import { isTimeOver } from '../walk/time-limit.ts';
import { findStop, hintCostOf, type WalkContext, type WalkPart, type WalkStop } from '../walk/walk-lesson.ts';
import { answersTo, answerTo, mayTryQuestion } from './give-answers.ts';
import { applyRevisedDraft } from './revise-answer.ts';

export type AtStopEvent = Exclude<
  LearnerEvent,
  { type: 'opened' | 'hidden' | 'shown' | 'gap' | 'met' | 'paused' | 'sought' | 'handedIn' | 'withdrawn' | 'revised' }
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
  const settled = { ...before, ...settledAs(before, state, event.at), ...arrivedLate(event) };
  switch (event.type) {
    case 'draftSaved': {
      if (stop.kind !== 'checkpoint') return 'wrongKind';
      const question = stop.questions.find((candidate) => candidate.id === event.questionId);
      if (!question) return 'questionUnknown';
      if (event.response === undefined) return state;
      if (!isFitting(question, event.response)) return 'unfitting';
      if (isTimeOver(stop, question, before, state, event.at)) return 'timeUp';
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
      const given = answersTo(context, state, stop, before, event);
      if (typeof given === 'string') return given;
      return withAnswers(state, stop, { ...before, ...arrivedLate(event), ...given, drafts: {} }, event);
    }
    case 'began': {
      const question = stop.kind === 'checkpoint' && stop.questions.find(({ id }) => id === event.questionId);
      if (!question) return 'questionUnknown';
      if (question.timeLimitMs === undefined) return 'notTimed';
      if (before.began?.[question.id] !== undefined) return state;
      return withStop(state, stop.id, { ...before, began: { ...before.began, [question.id]: event.at } });
    }
    case 'timeUp':
      return stop.kind === 'checkpoint' ? applyTimeUp(context, state, stop, before, event) : 'wrongKind';
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

type Checkpoint = Extract<WalkStop, { kind: 'checkpoint' }>;

/** A checkpoint after answers were given: settled once nothing more is to be answered or tried. */
function withAnswers(state: AttemptState, stop: Checkpoint, after: StopState, event: LearnerEvent): AttemptState {
  const isLeft = stop.questions.some((question) => {
    const answer = after.answers[question.id];
    if (after.ended?.includes(question.id)) return false;
    return mayTryQuestion(question, answer);
  });
  const counted = countLate(state, event);
  return withStop(
    counted,
    stop.id,
    isLeft ? after : { ...after, phase: 'answered', ...settledAs(after, state, event.at) },
  );
}

type TimeUpEvent = Extract<LearnerEvent, { type: 'timeUp' }>;

/** The time of one question is over: what is written is given, and only that; the others of its stop go on. */
function applyTimeUp(
  context: WalkContext,
  state: AttemptState,
  stop: Checkpoint,
  before: StopState,
  event: TimeUpEvent,
): AttemptState | Refusal {
  const question = stop.questions.find(({ id }) => id === event.questionId);
  if (!question) return 'questionUnknown';
  if (question.timeLimitMs === undefined) return 'notTimed';
  if (before.ended?.includes(question.id)) return state;
  const isOver = isTimeOver(stop, question, before, state, event.at);
  const given = isOver ? before.drafts[question.id] : (event.response ?? before.drafts[question.id]);
  const last = before.answers[question.id];
  const mayGive = given && !isBlank(given) && isFitting(question, given) && (!last || mayTryQuestion(question, last));
  const answers = mayGive
    ? { ...before.answers, [question.id]: answerTo(context, question, given, before, event.receivedAt) }
    : before.answers;
  const { [question.id]: _, ...drafts } = before.drafts;
  const after = { ...before, answers, drafts, ended: [...(before.ended ?? []), question.id] };
  const isAllOver = stop.questions.every(({ id }) => answers[id] !== undefined || after.ended.includes(id));
  return isAllOver
    ? withAnswers(state, stop, { ...after, ...arrivedLate(event) }, event)
    : withStop(state, stop.id, after);
}

/** An answer that came in this long after it was given is said to have, in ms. */
const lateArrivalMs = 2 * 60_000;

const isLateArrival = ({ at, receivedAt }: AttemptEvent) => receivedAt - at > lateArrivalMs;

const arrivedLate = (event: AttemptEvent) => (isLateArrival(event) ? { arrivedAt: event.receivedAt } : {});

function countLate(state: AttemptState, event: AttemptEvent): AttemptState {
  if (!isLateArrival(event)) return state;
  return { ...state, discrepancies: { ...state.discrepancies, lateAnswers: state.discrepancies.lateAnswers + 1 } };
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
  const settled = before.phase === 'open' ? settledAs(before, state, event.at) : { settledAt: event.at };
  return withStop(base, stop.id, { ...before, phase: 'chosen', choiceId, ...settled });
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
  const earlier = state.stops[stop.id];
  // To open again what was passed leads back on the way, and the figure of progress stays what it was.
  const best = earlier ? { bestProgress: progressOf(context.lesson, state) } : {};
  return withStop(
    {
      ...state,
      ...best,
      currentPartId: part.id,
      parts: {
        ...state.parts,
        [part.id]: { ...before, positionMs: stop.atMs, furthestMs: Math.max(before.furthestMs, stop.atMs) },
      },
    },
    stop.id,
    // What began stays begun: time, hints and tries belong to the question, and never start afresh.
    earlier
      ? { ...earlier, phase: 'open', openedAtSpentMs: state.timeSpentMs, settledAt: null }
      : {
          phase: 'open',
          openedAt: event.at,
          openedAtSpentMs: state.timeSpentMs,
          settledAt: null,
          drafts: {},
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
  const unopened = { openedAt: event.at, openedAtSpentMs: state.timeSpentMs, drafts: {}, answers: {} };
  const passed = left.map((stop): [string, StopState] => {
    const before = state.stops[stop.id] ?? unopened;
    return [stop.id, { ...before, phase: leftPhase(state.stops[stop.id]), ...settledAs(before, state, event.at) }];
  });
  return {
    ...state,
    handedInAt: event.at,
    stops: { ...state.stops, ...Object.fromEntries(passed) },
  };
}

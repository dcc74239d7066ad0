import type { Shown } from '../assignment/shown-now.ts';
import type {
  AfterClosing,
  Answer,
  AttemptState,
  Discrepancies,
  Intake,
  PartState,
  RouteState,
  Sitting,
  StopState,
} from '../attempt/attempt-state.ts';
import type { Terms } from '../attempt/terms.ts';
import type { Board, Tile } from '../lesson/board.ts';
import {
  type Checkpoint,
  type Fork,
  type ForkChoice,
  hasMaterial,
  type Lesson,
  type MaterialPart,
  type Part,
  type PartHead,
  type PartSource,
  type Pause,
  type Stop,
  stopsInOrder,
  type UntimedPartKind,
} from '../lesson/lesson.ts';
import { ownLesson } from '../own-lesson/own-lesson.ts';
import type { Question } from '../question/question.ts';
import { shuffledBy } from '../question/shuffled-by-secret.ts';
import { type Ahead, certainAhead } from '../walk/certain-ahead.ts';
import { isShownInTime } from '../walk/time-limit.ts';
import {
  type LearnerQuestion,
  present,
  type QuestionResult,
  toLearnerQuestion,
  toResult,
  toSealedQuestion,
} from './learner-question.ts';

/** A lesson as a learner's browser may hold it: no keys, no feedback, no teacher's notes. */
export interface LearnerLesson extends Pick<Lesson, 'title' | 'directions' | 'freeFrom'> {
  readonly parts: readonly LearnerPart[];
}

export type LearnerPart = LearnerMaterialPart | LearnerUntimedPart;

interface LearnerPartHead
  extends Pick<PartHead, 'id' | 'title' | 'inMs' | 'outMs' | 'directions' | 'practice' | 'next' | 'anyOrder'> {
  readonly stops: readonly LearnerStop[];
  readonly rules?: readonly HiddenRule[] | undefined;
  readonly from?: Pick<PartSource, 'linkId' | 'isAside'> | undefined;
}

export interface LearnerUntimedPart extends LearnerPartHead {
  readonly kind: UntimedPartKind;
}

export interface LearnerMaterialPart
  extends LearnerPartHead,
    Pick<MaterialPart, 'kind' | 'materialId' | 'narrations' | 'insets' | 'nextLessonId'> {}

export type LearnerStop = LearnerCheckpoint | LearnerFork | LearnerBoard | Pause;

export interface LearnerCheckpoint extends Pick<Checkpoint, 'id' | 'kind' | 'atMs' | 'anchor' | 'required'> {
  readonly questions: readonly LearnerQuestion[];
  /** Where it leads depends on the answers; on what of them, nobody is told. */
  readonly rules?: readonly HiddenRule[] | undefined;
}

export interface LearnerFork extends Omit<Fork, 'choices'> {
  readonly choices: readonly LearnerChoice[];
}

/** A board hides nothing but what is for others. */
export interface LearnerBoard extends Omit<Board, 'tiles'> {
  readonly tiles: readonly LearnerTile[];
}

export type LearnerTile = Omit<Tile, 'onlyFor'>;

export interface HiddenRule {
  readonly hidden: true;
}

export type LearnerChoice = Pick<ForkChoice, 'id' | 'words' | 'picture' | 'to' | 'after'>;

export interface LearnerView {
  readonly lesson: LearnerLesson;
  readonly state: LearnerState;
  /** By question id; only questions that were answered. */
  readonly results: Readonly<Record<string, QuestionResult>>;
  /** By question id; only hints that were asked for. */
  readonly hints: Readonly<Record<string, string>>;
  /** What of the way ahead is certain. */
  readonly ahead: Ahead;
  /** What of how it went is shown by now; the rest is not in here. */
  readonly shown: Shown;
}

/**
 * What a student's browser may know of the state of their attempt, and goes on from. Without the secret, without what
 * others did to it, and without what waits.
 */
export interface LearnerState
  extends Omit<
    AttemptState,
    | ('secret' | 'drawnByTime' | 'groups' | 'admittedUntil' | 'parts' | 'stops' | 'discrepancies' | 'intake')
    | ('spells' | 'spentIn')
  > {
  /** How they went about it is for their teacher. */
  readonly parts: Readonly<Record<string, Pick<PartState, 'coverage' | 'furthestMs' | 'positionMs'>>>;
  readonly stops: Readonly<Record<string, LearnerStopState>>;
  /** Why something was refused stays with the school. */
  readonly discrepancies: Omit<Discrepancies, 'refusals'> & { readonly refusals: readonly [] };
  /** What waits stays with the server. */
  readonly intake: Omit<Intake, 'held'> & { readonly held: readonly [] };
}

export interface LearnerStopState extends Omit<StopState, 'answers' | 'spentMs'> {
  readonly answers: Readonly<Record<string, LearnerAnswer>>;
}

/** Which teacher marked is the teachers' affair; the levels of the rubric are told in words. */
export interface LearnerAnswer extends Omit<Answer, 'rubric' | 'markedBy'> {
  readonly markedBy: 'program' | 'teacher' | null;
}

/**
 * The only way a lesson reaches a student. Built by naming what goes through, never by leaving out, so that a field
 * added to the model later stays secret until somebody names it here.
 * @param terms whether questions stay with the school until they are reached, and how numbers are written
 * @param shown what of how it went is shown by now
 */
export function learnerView(
  lesson: Lesson,
  state: AttemptState,
  terms: Pick<Terms, 'questionsWhenReached' | 'locale'>,
  shown: Shown,
): LearnerView {
  const own = ownLesson(lesson, state);
  return {
    lesson: toLearnerLesson(own, { state, terms }),
    state: toLearnerState(state, shown),
    results: resultsOf(own, state, shown, terms.locale),
    hints: hintsOf(own, state),
    ahead: certainAhead(own, state),
    shown,
  };
}

/** Whose eyes a lesson is shown to. */
interface Reader {
  readonly state: AttemptState;
  readonly terms: Pick<Terms, 'questionsWhenReached' | 'locale'>;
}

function toLearnerLesson({ title, directions, parts, freeFrom }: Lesson, reader: Reader): LearnerLesson {
  return { title, ...present({ directions, freeFrom }), parts: parts.flatMap((part) => toLearnerPart(part, reader)) };
}

/** An edition holds what other lessons hold; of a draft, what is not to be had is left out. */
function toLearnerPart(part: Part, reader: Reader): LearnerPart[] {
  if (part.kind === 'lesson') return [];
  const { id, title, inMs, outMs, stops, directions, practice, next, anyOrder } = part;
  const from = part.from && { linkId: part.from.linkId, isAside: part.from.isAside };
  const head = {
    ...{ id, title, inMs, outMs },
    stops: stopsInOrder(stops).map((stop) => toLearnerStop(stop, reader)),
    ...present({ directions, practice, next, from, anyOrder, rules: hide(part.rules) }),
  };
  if (!hasMaterial(part)) return [{ ...head, kind: part.kind }];
  const { kind, materialId, narrations, insets, nextLessonId } = part;
  return [{ ...head, kind, materialId, ...present({ narrations, insets, nextLessonId }) }];
}

function toLearnerStop(stop: Stop, reader: Reader): LearnerStop {
  const { id, atMs, anchor } = stop;
  const place = { id, atMs, ...present({ anchor }) };
  if (stop.kind === 'pause') return { ...place, kind: stop.kind, note: stop.note, ...present({ voice: stop.voice }) };
  if (stop.kind === 'fork') {
    const choices = stop.choices.map(({ id: choiceId, words, picture, to, after }) => ({
      ...{ id: choiceId, words, to },
      ...present({ picture, after }),
    }));
    return { ...place, kind: stop.kind, prompt: stop.prompt, choices };
  }
  if (stop.kind === 'board') {
    const { kind, prompt, voice, arrangement, columns, tiles, need } = stop;
    return {
      id,
      atMs,
      kind,
      prompt,
      arrangement,
      columns,
      need,
      tiles: tiles.map(toLearnerTile),
      ...present({ voice }),
    };
  }
  const { kind, required, questions } = stop;
  return {
    ...{ ...place, kind, required },
    questions: questions.map((question) => toShown(question, stop.id, reader)),
    ...present({ rules: hide(stop.rules) }),
  };
}

function toLearnerTile({ id, title, picture, colour, does, minutes, worth, to, at, row }: Tile): LearnerTile {
  return { id, title, colour, does, minutes, worth, to, ...present({ picture, at, row }) };
}

/** That there are rules must be known, so that a browser waits for what they lead to. */
function hide(rules: readonly unknown[] | undefined): readonly HiddenRule[] | undefined {
  return rules && rules.length > 0 ? [{ hidden: true }] : undefined;
}

/** A question as far as its student may see it now. */
function toShown(question: Question, stopId: string, { state, terms }: Reader): LearnerQuestion {
  const stop = state.stops[stopId];
  const isKept = terms.questionsWhenReached === true && stop === undefined;
  if (isKept || !isShownInTime(question, stop)) return toSealedQuestion(question);
  return toLearnerQuestion(question, (name, items) => shuffledBy(state.secret, name, items));
}

function toLearnerState(state: AttemptState, shown: Shown): LearnerState {
  const { version, begunAt, lastSeenAt, handedInAt, currentPartId, parts, timeSpentMs, bestProgress, extraTime } =
    state;
  const { route, afterClosing, discrepancies, intake } = state;
  const { cutMs, hiddenMs, lateAnswers, refusedCount } = discrepancies;
  return {
    ...{ version, begunAt, lastSeenAt, handedInAt, currentPartId, timeSpentMs },
    parts: mapValues(parts, ({ coverage, furthestMs, positionMs }) => ({ coverage, furthestMs, positionMs })),
    stops: mapValues(state.stops, (stop) => toLearnerStopState(stop, shown)),
    ...present({ bestProgress, extraTime, afterClosing: afterClosing && toAfterClosing(afterClosing) }),
    ...(route ? { route: toLearnerRoute(route) } : {}),
    discrepancies: { cutMs, hiddenMs, lateAnswers, refusedCount, refusals: [] },
    intake: { sittings: mapValues(intake.sittings, toLearnerSitting), held: [], newlyMetMs: intake.newlyMetMs },
  };
}

function toAfterClosing({ events, answers, fromAt, untilAt, arrivedAt, length }: AfterClosing): AfterClosing {
  return { events, answers, fromAt, untilAt, arrivedAt, length };
}

function toLearnerSitting({ missing, waitsUntil, ...sitting }: Sitting): Sitting {
  const { next, at, heardAt, shiftMs, deviceAt, deviceMs, away, creditMs, metAtMs } = sitting;
  const clock = { at, heardAt, shiftMs, deviceAt, deviceMs };
  return { next, ...clock, away, creditMs, metAtMs, ...present({ missing, waitsUntil }) };
}

function toLearnerRoute({ legs, ruled, isAtEnd, endVia, turnedBack, progress }: RouteState): RouteState {
  return {
    legs: legs.map(({ partId, via, fromStop, fromMs, atStop, atMs, untilMs, returns }) => ({
      ...{ partId, via, fromStop, fromMs, atStop, atMs, untilMs, returns },
    })),
    ...{ ruled, isAtEnd, progress },
    ...present({ endVia, turnedBack }),
  };
}

function toLearnerStopState(stop: StopState, shown: Shown): LearnerStopState {
  const { phase, openedAt, openedAtSpentMs, settledAt, drafts, answers, arrivedAt, began, ended } = stop;
  const { hints, choiceId, tiles } = stop;
  return {
    ...{ phase, openedAt, openedAtSpentMs, settledAt, drafts },
    answers: mapValues(answers, (answer) => toLearnerAnswer(answer, shown)),
    ...present({ arrivedAt, began, ended, hints, choiceId, tiles }),
  };
}

function toLearnerAnswer(answer: Answer, { points: withPoints, feedback }: Shown): LearnerAnswer {
  const { response, points, markedBy, comment, earned, earlier, voice, drawn, returned, hintCost } = answer;
  const ofPoints = (of: number | null) => (withPoints ? of : null);
  const words = (of: string | null) => (feedback ? of : null);
  return {
    ...{ response, points: ofPoints(points), comment: words(comment) },
    markedBy: !withPoints || markedBy === null ? null : markedBy === 'program' ? markedBy : 'teacher',
    ...present({
      ...{ returned, hintCost },
      ...(withPoints ? { earned } : {}),
      ...(feedback ? { voice, drawn } : {}),
      earlier: earlier?.map((one) => ({
        ...{ response: one.response, points: ofPoints(one.points), comment: words(one.comment), because: one.because },
        ...present({ hintCost: one.hintCost }),
      })),
    }),
  };
}

function mapValues<T, U>(record: Readonly<Record<string, T>>, map: (value: T) => U): Record<string, U> {
  return Object.fromEntries(Object.entries(record).map(([key, value]) => [key, map(value)]));
}

function resultsOf(
  lesson: Lesson,
  state: AttemptState,
  shown: Shown,
  locale: string | undefined,
): Record<string, QuestionResult> {
  const results: Record<string, QuestionResult> = {};
  for (const { stopId, question } of questionsOf(lesson)) {
    const stop = state.stops[stopId];
    const answer = stop?.answers[question.id];
    if (answer) results[question.id] = toResult(question, answer, { isOpen: stop.phase === 'open', shown, locale });
  }
  return results;
}

function hintsOf(lesson: Lesson, state: AttemptState): Record<string, string> {
  const hints: Record<string, string> = {};
  for (const { stopId, question } of questionsOf(lesson))
    if (question.hint && state.stops[stopId]?.hints?.includes(question.id)) hints[question.id] = question.hint.text;
  return hints;
}

function questionsOf(lesson: Lesson): { stopId: string; question: Question }[] {
  return lesson.parts
    .flatMap((part) => part.stops)
    .flatMap((stop) =>
      stop.kind === 'checkpoint' ? stop.questions.map((question) => ({ stopId: stop.id, question })) : [],
    );
}

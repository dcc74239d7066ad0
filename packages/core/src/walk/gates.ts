import type { AttemptState, Leg } from '../attempt/attempt-state.ts';
import type { Terms } from '../attempt/terms.ts';
import { freeStart, isFree, isStraight, orderedStops } from '../path/path-lesson.ts';
import { routeOf, stopsOnRoute } from './route.ts';
import { isFinishedFrom, partStateOf, reachToleranceMs, unsettledFrom } from './settled.ts';
import {
  findPart,
  findStop,
  type Pace,
  type WalkContext,
  type WalkLesson,
  type WalkPart,
  type WalkStop,
} from './walk-lesson.ts';

/** What of a walk's context says how far one may go. */
export type Gates = Pick<WalkContext, 'terms' | 'pace'>;

/** A player stops a few hundredths off its mark; a claim this far past a gate is still at the gate. */
export const gateToleranceMs = 500;

/** Whether the terms let a learner leave this stop without an answer. A note is read, not skipped, where skipping is off. */
export function mayPass(stop: WalkStop, terms: Terms): boolean {
  return terms.skipping || (stop.kind === 'checkpoint' && !stop.required);
}

/** The stop that is open now, if any: the latest opened. */
export function findOpenStop(lesson: WalkLesson, state: AttemptState): { part: WalkPart; stop: WalkStop } | undefined {
  let latest: { part: WalkPart; stop: WalkStop } | undefined;
  let openedAt = Number.NEGATIVE_INFINITY;
  // Asked at every event: nothing is made of the many that are settled.
  for (const id in state.stops) {
    const stop = state.stops[id];
    if (stop?.phase !== 'open' || stop.openedAt <= openedAt) continue;
    const found = findStop(lesson, id);
    // A board waits while its tiles are gone through.
    if (!found || (found.stop.kind === 'board' && !currentLegIn(found.part, state))) continue;
    latest = found;
    openedAt = stop.openedAt;
  }
  return latest;
}

/** The leg a student is in, where it is in this part. */
function currentLegIn(part: WalkPart, state: AttemptState): Leg | undefined {
  const leg = state.route?.legs.at(-1);
  return leg?.partId === part.id && leg.untilMs === null ? leg : undefined;
}

/** The first stop of a part that still has to be settled; in a lesson with several ways, on the way. */
export function nextUnsettledStop(part: WalkPart, state: AttemptState): WalkStop | undefined {
  const leg = currentLegIn(part, state);
  if (!leg && state.route?.legs.some(({ partId }) => partId === part.id)) return undefined;
  return unsettledFrom(part, leg?.atStop ?? 0, state);
}

/**
 * How far into a part the learner may have got by playing, in ms of the film: with skipping off the next stop that
 * is not settled, else the end of the window. Where the way led out of a part, it goes as far as it was left.
 */
export function playLimitMs(part: WalkPart, state: AttemptState, { terms, pace }: Gates): number {
  const ownMs = terms.skipping ? part.outMs : ownLimitMs(part, state);
  return pace?.partId === part.id ? Math.min(ownMs, pace.untilMs) : ownMs;
}

function ownLimitMs(part: WalkPart, state: AttemptState): number {
  const legs = state.route?.legs.filter(({ partId }) => partId === part.id) ?? [];
  if (legs.length === 0) return nextUnsettledStop(part, state)?.atMs ?? part.outMs;
  return Math.max(...legs.map((leg) => leg.untilMs ?? legLimitMs(part, leg, state)));
}

function legLimitMs(part: WalkPart, leg: Leg, state: AttemptState): number {
  // What rules have yet to decide holds as well: whoever knows them will say where it goes on.
  const undecided = orderedStops(part).find(
    (stop, index) =>
      index >= leg.atStop &&
      stop.kind === 'checkpoint' &&
      (stop.rules ?? []).some((rule) => 'hidden' in rule) &&
      !state.route?.ruled.includes(stop.id),
  );
  const unsettled = unsettledFrom(part, leg.atStop, state);
  return Math.min(unsettled?.atMs ?? part.outMs, undecided?.atMs ?? part.outMs);
}

/**
 * The furthest place the learner may jump to: with skipping off the furthest point met or the next stop that is not
 * settled, whichever comes first; back is always free.
 */
export function seekLimitMs(part: WalkPart, state: AttemptState, gates: Gates): number {
  const limitMs = playLimitMs(part, state, gates);
  return gates.terms.skipping ? limitMs : Math.min(partStateOf(state, part).furthestMs, limitMs);
}

/** Whether the learner may play or move in a part now; an open stop can forbid it by the terms. */
export function isMaterialLocked(context: WalkContext, state: AttemptState): boolean {
  return !context.terms.rewindAtStops && findOpenStop(context.lesson, state)?.stop.kind === 'checkpoint';
}

/** Whether the learner has got to a stop: the film was met up to it, and with skipping off all before it is settled. */
export function isStopReached(context: WalkContext, state: AttemptState, part: WalkPart, stop: WalkStop): boolean {
  if (stop.atMs > playLimitMs(part, state, context)) return false;
  if (!isPartOpen(context, state, part.id)) return false;
  if (!context.terms.skipping && stopsOnRoute(context.lesson, state)?.has(stop.id) === false) return false;
  const leg = currentLegIn(part, state);
  const isAtBeginning = stop.atMs - part.inMs <= gateToleranceMs;
  if (isAtBeginning || (leg && Math.abs(stop.atMs - leg.fromMs) <= gateToleranceMs)) return true;
  return partStateOf(state, part).coverage.some(
    (segment) => segment.fromMs <= stop.atMs && segment.toMs >= stop.atMs - reachToleranceMs,
  );
}

/**
 * Whether a part may be entered: when the way has led there. Where there is only one way, skipping opens all of it;
 * where there are several, choices and rules decide, whatever is skipped.
 */
export function isPartOpen({ lesson, terms, pace }: WalkContext, state: AttemptState, partId: string): boolean {
  if (pace && isBehind(lesson, pace, partId)) return false;
  if (!isStraight(lesson)) return routeOf(lesson, state).legs.some((leg) => leg.partId === partId);
  if (terms.skipping) return findPart(lesson, partId) !== undefined;
  const index = lesson.parts.findIndex(({ id }) => id === partId);
  // What may be taken in any order does not wait for its neighbours.
  return index >= 0 && lesson.parts.slice(0, freeStart(lesson, index)).every((part) => isPartFinished(part, state));
}

/** Whether a part lies behind the one up to which a class is led. */
function isBehind({ parts }: WalkLesson, pace: Pace, partId: string): boolean {
  const place = (id: string) => parts.findIndex((part) => part.id === id);
  return place(partId) > place(pace.partId);
}

/** The choices of a fork that are open: those that wait for a part only once it is done. */
export function openChoices<C extends { readonly after?: string | undefined }>(
  lesson: WalkLesson,
  state: AttemptState,
  choices: readonly C[],
): readonly C[] {
  const isDone = (partId: string) => {
    const part = findPart(lesson, partId);
    return part !== undefined && isPartFinished(part, state);
  };
  return choices.filter(({ after }) => after === undefined || isDone(after));
}

/** A part is finished when every stop in it is settled and its end was reached; on the way of a student, as far as the way goes. */
export function isPartFinished(part: WalkPart, state: AttemptState): boolean {
  const leg = currentLegIn(part, state);
  if (!leg && state.route?.legs.some(({ partId }) => partId === part.id)) return true;
  return isFinishedFrom(part, leg?.atStop ?? 0, state);
}

/** Whether the learner has come to the end: of every part, or of the way they took. */
export function isAtEnd(lesson: WalkLesson, state: AttemptState): boolean {
  return isStraight(lesson)
    ? lesson.parts.every((part) => isPartFinished(part, state))
    : routeOf(lesson, state).isAtEnd;
}

/** Whether the learner may hand in now: with skipping off, only at the end. */
export function canHandIn({ lesson, terms, pace }: WalkContext, state: AttemptState): boolean {
  const last = lesson.parts.at(-1);
  if (pace && last && (pace.partId !== last.id || pace.untilMs < last.outMs)) return false;
  return state.handedInAt === null && (terms.skipping || isAtEnd(lesson, state));
}

/**
 * The parts a student may choose among once the one they are in is done; none where the order is fixed.
 * @param isFresh whether they have not begun anything, so that they choose where to begin as well
 */
export function freeParts(
  context: WalkContext,
  state: AttemptState,
  part: WalkPart,
  isFresh = false,
): readonly WalkPart[] {
  const { lesson } = context;
  if (!isStraight(lesson)) return [];
  if (!isPartFinished(part, state) && !(isFresh && isFree(lesson, 0))) return [];
  return lesson.parts.filter(
    (one, index) => isFree(lesson, index) && !isPartFinished(one, state) && isPartOpen(context, state, one.id),
  );
}

/**
 * The part to go to from a part that is done, where one is open: the next that is not done, so that whoever looks back
 * at an earlier part returns at once to where they were. In a free order, any that is not done.
 */
export function nextPart(context: WalkContext, state: AttemptState, part: WalkPart): WalkPart | undefined {
  const { lesson } = context;
  if (!isPartFinished(part, state)) return undefined;
  if (!isStraight(lesson)) {
    const leg = routeOf(lesson, state).legs.at(-1);
    return leg && leg.partId !== part.id && leg.untilMs === null ? findPart(lesson, leg.partId) : undefined;
  }
  const isLeft = (one: WalkPart) => !isPartFinished(one, state);
  const index = lesson.parts.indexOf(part);
  const inTurn = [...lesson.parts.slice(index + 1), ...lesson.parts.slice(0, index)];
  return inTurn.find((one) => isLeft(one) && isPartOpen(context, state, one.id));
}

import { stopsInOrder } from '../lesson/lesson.ts';
import type { AttemptState, PartState, StopPhase } from './attempt-state.ts';
import type { Terms } from './terms.ts';
import { findPart, findStop, type WalkContext, type WalkLesson, type WalkPart, type WalkStop } from './walk-lesson.ts';

/** A player stops a few hundredths off its mark; a claim this far past a gate is still at the gate. */
export const gateToleranceMs = 500;

/** A stop counts as reached when the film was met to within this of it. */
const reachToleranceMs = 1_000;

/** The state of a part, also of one that was never opened. */
export function partStateOf(state: AttemptState, part: WalkPart): PartState {
  return state.parts[part.id] ?? { coverage: [], furthestMs: part.inMs, positionMs: part.inMs };
}

export function phaseOf(state: AttemptState, stopId: string): StopPhase | 'ahead' {
  return state.stops[stopId]?.phase ?? 'ahead';
}

/** A stop is settled when it holds the learner no longer. */
export function isSettled(state: AttemptState, stopId: string): boolean {
  const phase = phaseOf(state, stopId);
  return phase !== 'ahead' && phase !== 'open';
}

/** Whether the terms let a learner leave this stop without an answer. A note is read, not skipped, where skipping is off. */
export function mayPass(stop: WalkStop, terms: Terms): boolean {
  return terms.skipping || (stop.kind === 'checkpoint' && !stop.required);
}

/** The stop that is open now, if any: the latest opened. */
export function findOpenStop(lesson: WalkLesson, state: AttemptState): { part: WalkPart; stop: WalkStop } | undefined {
  const open = Object.entries(state.stops)
    .filter(([, stop]) => stop.phase === 'open')
    .sort(([, a], [, b]) => b.openedAt - a.openedAt)[0];
  return open && findStop(lesson, open[0]);
}

/** The first stop of a part that still has to be settled. */
export function nextUnsettledStop(part: WalkPart, state: AttemptState): WalkStop | undefined {
  return stopsInOrder(part.stops).find((stop) => !isSettled(state, stop.id) && isInWindow(part, stop));
}

function isInWindow(part: WalkPart, stop: WalkStop): boolean {
  return stop.atMs >= part.inMs && stop.atMs <= part.outMs;
}

/**
 * How far into a part the learner may have got by playing, in ms of the film: with skipping off the next stop that
 * is not settled, else the end of the window.
 */
export function playLimitMs(part: WalkPart, state: AttemptState, terms: Terms): number {
  if (terms.skipping) return part.outMs;
  return nextUnsettledStop(part, state)?.atMs ?? part.outMs;
}

/**
 * The furthest place the learner may jump to: with skipping off the furthest point met or the next stop that is not
 * settled, whichever comes first; back is always free.
 */
export function seekLimitMs(part: WalkPart, state: AttemptState, terms: Terms): number {
  if (terms.skipping) return part.outMs;
  return Math.min(partStateOf(state, part).furthestMs, playLimitMs(part, state, terms));
}

/** Whether the learner may play or move in a part now; an open stop can forbid it by the terms. */
export function isMaterialLocked(context: WalkContext, state: AttemptState): boolean {
  return !context.terms.rewindAtStops && findOpenStop(context.lesson, state)?.stop.kind === 'checkpoint';
}

/** Whether the learner has got to a stop: the film was met up to it, and with skipping off all before it is settled. */
export function isStopReached(context: WalkContext, state: AttemptState, part: WalkPart, stop: WalkStop): boolean {
  if (stop.atMs > playLimitMs(part, state, context.terms)) return false;
  if (!context.terms.skipping && !isPartOpen(context, state, part.id)) return false;
  if (stop.atMs - part.inMs <= gateToleranceMs) return true;
  return partStateOf(state, part).coverage.some(
    (segment) => segment.fromMs <= stop.atMs && segment.toMs >= stop.atMs - reachToleranceMs,
  );
}

/** Whether a part may be entered: with skipping off, all parts before it are finished. */
export function isPartOpen({ lesson, terms }: WalkContext, state: AttemptState, partId: string): boolean {
  if (terms.skipping) return findPart(lesson, partId) !== undefined;
  for (const part of lesson.parts) {
    if (part.id === partId) return true;
    if (!isPartFinished(part, state)) return false;
  }
  return false;
}

/** A part is finished when every stop in it is settled and its end was reached. */
export function isPartFinished(part: WalkPart, state: AttemptState): boolean {
  return (
    nextUnsettledStop(part, state) === undefined && partStateOf(state, part).furthestMs >= part.outMs - reachToleranceMs
  );
}

/** Whether the learner may hand in now: with skipping off, only when every part is finished. */
export function canHandIn({ lesson, terms }: WalkContext, state: AttemptState): boolean {
  if (state.handedInAt !== null) return false;
  return terms.skipping || lesson.parts.every((part) => isPartFinished(part, state));
}

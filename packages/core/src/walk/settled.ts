import type { AttemptState, PartState, StopPhase, StopState } from '../attempt/attempt-state.ts';
import { isNeedMet } from '../lesson/board.ts';
import { orderedStops } from '../path/path-lesson.ts';
import type { WalkPart, WalkStop } from './walk-lesson.ts';

/** A stop counts as reached when the film was met to within this of it. */
export const reachToleranceMs = 1_000;

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

/** The tiles of a board that are done. */
export function doneTiles(stopState: StopState | undefined): ReadonlySet<string> {
  return new Set(Object.entries(stopState?.tiles ?? {}).flatMap(([id, as]) => (as === 'done' ? [id] : [])));
}

/** Whether as much of a board is done as it asks for. */
export function isBoardDone(board: Extract<WalkStop, { kind: 'board' }>, stopState: StopState | undefined): boolean {
  return isNeedMet(board, doneTiles(stopState));
}

/** The first stop of a part, from one of its stops on, that still has to be settled. */
export function unsettledFrom(part: WalkPart, fromStop: number, state: AttemptState): WalkStop | undefined {
  return orderedStops(part).find(
    (stop, index) => index >= fromStop && !isSettled(state, stop.id) && isInWindow(part, stop),
  );
}

function isInWindow(part: WalkPart, stop: WalkStop): boolean {
  return stop.atMs >= part.inMs && stop.atMs <= part.outMs;
}

/** Whether a part is done from one of its stops on. */
export function isFinishedFrom(part: WalkPart, fromStop: number, state: AttemptState): boolean {
  return (
    unsettledFrom(part, fromStop, state) === undefined &&
    partStateOf(state, part).furthestMs >= part.outMs - reachToleranceMs
  );
}

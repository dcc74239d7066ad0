import type { StopState } from '../attempt/attempt-state.ts';
import type { Hundredths } from '../elements/points.ts';
import { possiblePoints } from '../lesson/lesson.ts';
import type { WalkStop } from '../walk/walk-lesson.ts';

/** The state of a stop for a student, everywhere the same. */
export const stopMarkStates = ['ahead', 'open', 'waiting', 'full', 'partial', 'none', 'noted', 'passed'] as const;
export type StopMarkState = (typeof stopMarkStates)[number];

export interface StopMark {
  readonly state: StopMarkState;
  readonly earned: Hundredths;
  readonly possible: Hundredths;
  /** Of a part that is practice: shown, and counted nowhere. */
  readonly practice?: boolean | undefined;
}

/** What a mark shows for one stop. `waiting` as soon as one answer waits for a teacher. */
export function stopMarkOf(stop: WalkStop, stopState: StopState | undefined): StopMark {
  const possible = possiblePoints(stop);
  const earned = Object.values(stopState?.answers ?? {}).reduce((sum, answer) => sum + (answer.points ?? 0), 0);
  return { state: markState(stopState, earned, possible), earned, possible };
}

function markState(stopState: StopState | undefined, earned: Hundredths, possible: Hundredths): StopMarkState {
  if (!stopState) return 'ahead';
  if (stopState.phase === 'open') return 'open';
  if (stopState.phase === 'passed') return 'passed';
  if (stopState.phase === 'acknowledged' || stopState.phase === 'chosen') return 'noted';
  if (Object.values(stopState.answers).some((answer) => answer.points === null)) return 'waiting';
  if (possible === 0) return 'noted';
  if (earned === 0) return 'none';
  return earned < possible ? 'partial' : 'full';
}

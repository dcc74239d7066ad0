import type { AttemptState } from './attempt-state.ts';
import { isSettled, partStateOf } from './gates.ts';
import type { WalkLesson } from './walk-lesson.ts';

/** Minutes a stop is worth beside the minutes of film. Common practice, no source. */
const stopWeightMs = { checkpoint: 45_000, pause: 15_000 } as const;

/**
 * How far a learner has come, 0 to 1: done ÷ (done + longest remaining), weighed by time. Film counts up to the
 * furthest point reached, so that the figure never falls when a learner goes back.
 */
export function progressOf(lesson: WalkLesson, state: AttemptState): number {
  if (state.handedInAt !== null) return 1;
  let doneMs = 0;
  let allMs = 0;
  for (const part of lesson.parts) {
    allMs += part.outMs - part.inMs;
    doneMs += Math.min(partStateOf(state, part).furthestMs, part.outMs) - part.inMs;
    for (const stop of part.stops) {
      const weightMs = stopWeightMs[stop.kind];
      allMs += weightMs;
      if (isSettled(state, stop.id)) doneMs += weightMs;
    }
  }
  return allMs === 0 ? 1 : doneMs / allMs;
}

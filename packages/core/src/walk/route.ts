import type { AttemptState, Leg, RouteState } from '../attempt/attempt-state.ts';
import { beginningOf, isStraight, orderedStops, type Place, partAfter, type Returns } from '../path/path-lesson.ts';
import type { WalkLesson } from './walk-lesson.ts';

/** A leg that begins at a place. */
export const legAt = ({ partId, stopIndex, fromMs }: Place, via: Leg['via'], returns: Returns): Leg => ({
  ...{ partId, via, fromStop: stopIndex, fromMs, atStop: stopIndex, atMs: fromMs, untilMs: null, returns },
});

/** The way so far; before anything happened, the first part. */
export function routeOf(lesson: WalkLesson, state: AttemptState): RouteState {
  if (state.route) return state.route;
  const first = partAfter(lesson, null);
  const legs = first ? [legAt(beginningOf(first), { kind: 'start' }, [])] : [];
  return { legs, ruled: [], isAtEnd: first === undefined, progress: 0 };
}

/** Ids of the stops on a student's way so far and in what is left of the part they are in; null where all stops are. */
export function stopsOnRoute(lesson: WalkLesson, state: AttemptState): ReadonlySet<string> | null {
  if (isStraight(lesson)) return null;
  const found = new Set<string>();
  for (const { partId, fromStop, untilMs, atStop } of routeOf(lesson, state).legs) {
    const part = lesson.parts.find(({ id }) => id === partId);
    const stops = part ? orderedStops(part) : [];
    for (const { id } of stops.slice(fromStop, untilMs === null ? undefined : atStop)) found.add(id);
  }
  return found;
}

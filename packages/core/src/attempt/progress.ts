import { stopTimeMs } from '../lesson/answer-time.ts';
import { longestFrom } from '../path/path-figures.ts';
import { keyOf, pathGraph, weighNode } from '../path/path-graph.ts';
import { isStraight, orderedStops } from '../path/path-lesson.ts';
import type { AttemptState } from './attempt-state.ts';
import { routeOf } from './route.ts';
import { isSettled, partStateOf } from './settled.ts';
import type { WalkLesson, WalkPart } from './walk-lesson.ts';

/**
 * How far a learner has come, 0 to 1: done ÷ (done + longest remaining), weighed by time. Film counts up to the
 * furthest point reached, so that the figure never falls when a learner goes back; and where another way is taken that
 * is longer, it stays at what it was.
 */
export function progressOf(lesson: WalkLesson, state: AttemptState): number {
  if (state.handedInAt !== null) return 1;
  const doneMs = lesson.parts.reduce((sum, part) => sum + doneIn(part, state), 0);
  if (isStraight(lesson)) {
    const allMs = lesson.parts.reduce((sum, part) => sum + lengthOf(part), 0);
    return allMs === 0 ? 1 : doneMs / allMs;
  }
  const { progress } = routeOf(lesson, state);
  const leftMs = remainingMs(lesson, state);
  return Math.max(progress, doneMs + leftMs === 0 ? 1 : doneMs / (doneMs + leftMs));
}

/** A task has nothing to watch. */
const walkMs = (part: WalkPart, fromMs: number, toMs: number) =>
  part.kind === 'task' ? 0 : Math.max(0, toMs - fromMs);

function lengthOf(part: WalkPart): number {
  return walkMs(part, part.inMs, part.outMs) + part.stops.reduce((sum, stop) => sum + stopTimeMs(stop), 0);
}

function doneIn(part: WalkPart, state: AttemptState): number {
  const settled = part.stops.filter(({ id }) => isSettled(state, id));
  const reachedMs = Math.min(partStateOf(state, part).furthestMs, part.outMs);
  return walkMs(part, part.inMs, reachedMs) + settled.reduce((sum, stop) => sum + stopTimeMs(stop), 0);
}

/** The longest way on from where the learner is. */
function remainingMs(lesson: WalkLesson, state: AttemptState): number {
  const route = routeOf(lesson, state);
  const leg = route.legs.at(-1);
  if (!leg || route.isAtEnd) return 0;
  const graph = pathGraph(lesson);
  const key = keyOf({ partId: leg.partId, stopIndex: leg.atStop, fromMs: leg.atMs }, leg.returns);
  const index = graph.nodes.findIndex((node) => node.key === key);
  const node = graph.nodes[index];
  const part = lesson.parts.find(({ id }) => id === leg.partId);
  if (!node || !part) return 0;
  const furthestMs = Math.max(partStateOf(state, part).furthestMs, node.fromMs);
  const unsettled = orderedStops(part)
    .slice(node.fromStop, node.untilStop)
    .filter(({ id }) => !isSettled(state, id));
  const inNode = walkMs(part, furthestMs, node.toMs) + unsettled.reduce((sum, stop) => sum + stopTimeMs(stop), 0);
  return inNode + (longestFrom(lesson)[index] ?? 0) - weighNode(lesson, node).timeMs;
}

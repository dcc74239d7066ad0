import type { AttemptState, Leg } from '../attempt/attempt-state.ts';
import { stopTimeMs } from '../lesson/answer-time.ts';
import { needDone } from '../lesson/board.ts';
import { hasLength } from '../lesson/lesson.ts';
import { longestFrom } from '../path/path-figures.ts';
import { boardAt, keyOf, pathGraph, weighNode } from '../path/path-graph.ts';
import { isStraight, orderedStops, type Place, type Returns } from '../path/path-lesson.ts';
import { routeOf } from './route.ts';
import { doneTiles, isSettled, partStateOf } from './settled.ts';
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
    return Math.max(state.bestProgress ?? 0, allMs === 0 ? 1 : doneMs / allMs);
  }
  const { progress } = routeOf(lesson, state);
  const leftMs = remainingMs(lesson, state);
  return Math.max(progress, doneMs + leftMs === 0 ? 1 : doneMs / (doneMs + leftMs));
}

const walkMs = (part: WalkPart, fromMs: number, toMs: number) => (hasLength(part) ? Math.max(0, toMs - fromMs) : 0);

function lengthOf(part: WalkPart): number {
  return walkMs(part, part.inMs, part.outMs) + part.stops.reduce((sum, stop) => sum + stopTimeMs(stop), 0);
}

function doneIn(part: WalkPart, state: AttemptState): number {
  let doneMs = 0;
  // Asked of every part at every event: nothing is made for those that were never opened.
  const reached = state.parts[part.id];
  if (reached) doneMs = walkMs(part, part.inMs, Math.min(reached.furthestMs, part.outMs));
  for (const stop of part.stops) if (isSettled(state, stop.id)) doneMs += stopTimeMs(stop);
  return doneMs;
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
  const longest = longestFrom(lesson);
  const atBoards = [...leg.returns.keys()].map((place) =>
    leftAtBoard(lesson, state, leg.returns.slice(0, place + 1), 1),
  );
  const boardDone = leftAtBoard(lesson, state, [...leg.returns, placeOf(leg)], 0);
  const own = inNode - weighNode(lesson, node).timeMs;
  return own + (boardDone ?? longest[index] ?? 0) + atBoards.reduce<number>((sum, ms) => sum + (ms ?? 0), 0);
}

const placeOf = ({ partId, atStop, atMs }: Leg): Place => ({ partId, stopIndex: atStop, fromMs: atMs });

/**
 * What is left at a board and behind it, in ms.
 * @param places where the board stands, last, and where its part leads back to
 * @param underWay tiles that are being done
 * @returns null where no board stands
 */
function leftAtBoard(lesson: WalkLesson, state: AttemptState, places: Returns, underWay: number): number | null {
  const place = places.at(-1);
  const { nodes } = pathGraph(lesson);
  const index = place ? nodes.findIndex(({ key }) => key === keyOf(place, places.slice(0, -1))) : -1;
  const node = nodes[index];
  const board = boardAt(lesson, node);
  if (!node || !board) return null;
  const longest = longestFrom(lesson);
  const onward = node.edges.at(-1)?.to;
  const onwardMs = onward == null ? 0 : (longest[onward] ?? 0);
  const { done, of } = needDone(board, doneTiles(state.stops[board.id]));
  const share = of === 0 ? 1 : Math.min(1, (done + underWay) / of);
  return onwardMs + ((longest[index] ?? 0) - onwardMs) * (1 - share);
}

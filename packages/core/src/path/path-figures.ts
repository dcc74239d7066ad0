import type { Hundredths } from '../elements/points.ts';
import { needRange } from '../lesson/board.ts';
import { boardAt, type NeedingStop, type PathGraph, type PathNode, pathGraph, weighNode } from './path-graph.ts';
import { freeStart, type PathLesson } from './path-lesson.ts';

export interface Range {
  readonly min: number;
  readonly max: number;
}

/** What the routes through a lesson come to. A route that turns back to where it has been is not counted as another. */
export interface PathFigures {
  /** How many routes there are; exact, however many. */
  readonly routeCount: bigint;
  readonly timeMs: Range;
  /** The mean over routes when every way at a turn is as likely as every other. */
  readonly meanTimeMs: number;
  readonly points: { readonly min: Hundredths; readonly max: Hundredths };
  readonly requiredStops: Range;
  /** Ways that lead back to where the route has been. */
  readonly turnBackCount: number;
}

/**
 * Figures of all routes at once, by dynamic programming over the nodes in topological order; nothing is enumerated.
 * @returns null where no route leads to an end
 */
export function pathFigures(lesson: PathLesson): PathFigures | null {
  const { start } = pathGraph(lesson);
  const { sums, turnBackCount } = sumsOf(lesson);
  const all = start === null ? null : sums[start];
  if (!all) return null;
  const { routeCount, time, meanMs, points, required } = all;
  return {
    routeCount: routeCount * ordersOf(lesson),
    timeMs: time,
    meanTimeMs: meanMs,
    points,
    requiredStops: required,
    turnBackCount,
  };
}

/** What each node comes to by itself, and with all that follows; null where no end is reached. Remembered, because lessons are never altered. */
export function sumsOf(lesson: PathLesson) {
  const known = allSums.get(lesson);
  if (known) return known;
  const graph = pathGraph(lesson);
  const { order, isBack } = topological(graph);
  const own: OwnSums[] = graph.nodes.map((node) => weighNode(lesson, node));
  const sums: (Sums | null)[] = new Array(graph.nodes.length).fill(null);
  let turnBackCount = 0;
  for (const index of order.toReversed()) {
    const onward: Sums[] = [];
    const ofTiles = new Map<string, Sums>();
    for (const [place, { to, via }] of (graph.nodes[index]?.edges ?? []).entries()) {
      if (isBack.has(edgeKey(index, place))) {
        if (isBackToBoard(lesson, graph, index, to)) onward.push(atEnd);
        else turnBackCount++;
        continue;
      }
      const sum = to === null ? atEnd : to >= 0 ? sums[to] : null;
      if (sum && via.kind === 'tile') ofTiles.set(via.tileId, sum);
      else if (sum) onward.push(sum);
    }
    const board = boardAt(lesson, graph.nodes[index]);
    if (board) own[index] = withTiles(own[index] as OwnSums, board, ofTiles);
    if (onward.length > 0) sums[index] = add(own[index] as OwnSums, onward);
  }
  const found = { own, sums, turnBackCount };
  allSums.set(lesson, found);
  return found;
}
const allSums = new WeakMap<PathLesson, { own: OwnSums[]; sums: (Sums | null)[]; turnBackCount: number }>();

interface Sums {
  readonly routeCount: bigint;
  readonly time: Range;
  readonly meanMs: number;
  readonly points: Range;
  readonly required: Range;
}

const none: Range = { min: 0, max: 0 };
const atEnd: Sums = { routeCount: 1n, time: none, meanMs: 0, points: none, required: none };

/** What a node comes to by itself; on a board, with as many of its tiles as it asks for, or with all. */
export interface OwnSums {
  readonly timeMs: number | (Range & { readonly mean: number });
  readonly points: number | Range;
  readonly requiredStops: number;
}

function add({ timeMs, points, requiredStops }: OwnSums, onward: readonly Sums[]): Sums {
  const range = (own: number | Range, of: (sums: Sums) => Range): Range => ({
    min: (typeof own === 'number' ? own : own.min) + Math.min(...onward.map((sums) => of(sums).min)),
    max: (typeof own === 'number' ? own : own.max) + Math.max(...onward.map((sums) => of(sums).max)),
  });
  return {
    routeCount: onward.reduce((sum, { routeCount }) => sum + routeCount, 0n),
    time: range(timeMs, ({ time }) => time),
    meanMs:
      (typeof timeMs === 'number' ? timeMs : timeMs.mean) +
      onward.reduce((sum, { meanMs }) => sum + meanMs, 0) / onward.length,
    points: range(points, (sums) => sums.points),
    required: range(requiredStops, ({ required }) => required),
  };
}

/** A way that leads back from a tile's part ends there for the tile. */
function isBackToBoard(lesson: PathLesson, { nodes }: PathGraph, from: number, to: number | null): boolean {
  const board = to === null ? undefined : nodes[to];
  return boardAt(lesson, board) !== null && (nodes[from]?.returns.length ?? 0) > (board?.returns.length ?? 0);
}

function withTiles(weight: OwnSums, board: NeedingStop, ofTiles: ReadonlyMap<string, Sums>): OwnSums {
  const values = (of: (sums: Sums) => number, otherwise: (minutes: number) => number) =>
    board.tiles.map(({ id, minutes }) => {
      const sums = ofTiles.get(id);
      return sums ? of(sums) : otherwise(minutes);
    });
  const timesOf = (of: (sums: Sums) => number) => needRange(board, values(of, inMs));
  const pointsOf = (of: (sums: Sums) => number) =>
    needRange(
      board,
      values(of, () => 0),
    );
  return {
    timeMs: {
      min: timesOf(({ time }) => time.min).min,
      max: timesOf(({ time }) => time.max).max,
      mean: timesOf(({ meanMs }) => meanMs).mean,
    },
    points: { min: pointsOf(({ points }) => points.min).min, max: pointsOf(({ points }) => points.max).max },
    requiredStops: weight.requiredStops,
  };
}

const inMs = (minutes: number) => minutes * 60_000;

/** In how many orders the parts that may be taken freely can be taken. */
function ordersOf(lesson: PathLesson): bigint {
  // The first of some has one choice, the second two: all together their factorial.
  return lesson.parts.reduce((orders, _, index) => orders * BigInt(index - freeStart(lesson, index) + 1), 1n);
}

const edgeKey = (node: number, edge: number) => `${node}:${edge}`;

/** An order in which every way but those that turn back leads on; found by walking in depth, without recursion. */
export function topological(graph: PathGraph): { order: number[]; isBack: ReadonlySet<string> } {
  const open = 1;
  const done = 2;
  const colour = new Uint8Array(graph.nodes.length);
  const isBack = new Set<string>();
  const finished: number[] = [];
  if (graph.start === null) return { order: [], isBack };
  const stack: { node: number; edge: number }[] = [{ node: graph.start, edge: 0 }];
  colour[graph.start] = open;
  while (stack.length > 0) {
    const top = stack.at(-1) as { node: number; edge: number };
    const edge = graph.nodes[top.node]?.edges[top.edge];
    if (!edge) {
      colour[top.node] = done;
      finished.push(top.node);
      stack.pop();
      continue;
    }
    const { to } = edge;
    if (to !== null && to >= 0) {
      if (colour[to] === open) isBack.add(edgeKey(top.node, top.edge));
      else if (colour[to] !== done) {
        colour[to] = open;
        stack.push({ node: to, edge: 0 });
      }
    }
    top.edge++;
  }
  return { order: finished.toReversed(), isBack };
}

/** How long each tile takes: its part, or what the teacher says. */
function tileTimes(board: NeedingStop, node: PathNode, longest: readonly number[]): number[] {
  return board.tiles.map(({ id, minutes }) => {
    const to = node.edges.find(({ via }) => via.kind === 'tile' && via.tileId === id)?.to;
    return to == null ? inMs(minutes) : (longest[to] ?? 0);
  });
}

/**
 * The longest way from each node to an end, in ms of its own and all that follows; turning back is not counted, and a
 * board is done when it has what it asks for.
 */
export function longestFrom(lesson: PathLesson): readonly number[] {
  const known = longest.get(lesson);
  if (known) return known;
  const graph = pathGraph(lesson);
  const { order, isBack } = topological(graph);
  const found: number[] = new Array(graph.nodes.length).fill(0);
  for (const index of order.toReversed()) {
    const node = graph.nodes[index];
    if (!node) continue;
    const after = node.edges.map(({ to }, place) =>
      to === null || to < 0 || isBack.has(edgeKey(index, place)) ? 0 : (found[to] ?? 0),
    );
    const board = boardAt(lesson, node);
    const ownMs = board ? needRange(board, tileTimes(board, node, found)).min : weighNode(lesson, node).timeMs;
    found[index] = ownMs + Math.max(0, ...(board ? after.slice(-1) : after));
  }
  longest.set(lesson, found);
  return found;
}
const longest = new WeakMap<PathLesson, readonly number[]>();

import type { Hundredths } from '../lesson/points.ts';
import { type PathGraph, pathGraph, weighNode } from './path-graph.ts';
import type { PathLesson } from './path-lesson.ts';

export interface Range {
  readonly least: number;
  readonly most: number;
}

/** What the routes through a lesson come to. A route that turns back to where it has been is not counted as another. */
export interface PathFigures {
  /** How many routes there are; exact, however many. */
  readonly routeCount: bigint;
  readonly timeMs: Range;
  /** The mean over routes when every way at a turn is as likely as every other. */
  readonly meanTimeMs: number;
  readonly points: { readonly least: Hundredths; readonly most: Hundredths };
  readonly requiredStops: Range;
  /** Ways that lead back to where the route has been. */
  readonly turnBackCount: number;
}

/**
 * Figures of all routes at once, by dynamic programming over the nodes in topological order; nothing is enumerated.
 * @returns null where no route leads to an end
 */
export function pathFigures(lesson: PathLesson): PathFigures | null {
  const graph = pathGraph(lesson);
  if (graph.start === null) return null;
  const { order, isBack } = topological(graph);
  const weights = graph.nodes.map((node) => weighNode(lesson, node));
  const sums: (Sums | null)[] = new Array(graph.nodes.length).fill(null);
  let turnBackCount = 0;
  for (const index of order.toReversed()) {
    const weight = weights[index] as (typeof weights)[0];
    const onward: Sums[] = [];
    for (const [place, { to }] of (graph.nodes[index]?.edges ?? []).entries()) {
      if (isBack.has(edgeKey(index, place))) turnBackCount++;
      else if (to === null) onward.push(atEnd);
      else if (to >= 0) {
        const sum = sums[to];
        if (sum) onward.push(sum);
      }
    }
    if (onward.length > 0) sums[index] = add(weight, onward);
  }
  const all = sums[graph.start];
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

interface Sums {
  readonly routeCount: bigint;
  readonly time: Range;
  readonly meanMs: number;
  readonly points: Range;
  readonly required: Range;
}

const none: Range = { least: 0, most: 0 };
const atEnd: Sums = { routeCount: 1n, time: none, meanMs: 0, points: none, required: none };

function add(weight: ReturnType<typeof weighNode>, onward: readonly Sums[]): Sums {
  const range = (own: number, of: (sums: Sums) => Range): Range => ({
    least: own + Math.min(...onward.map((sums) => of(sums).least)),
    most: own + Math.max(...onward.map((sums) => of(sums).most)),
  });
  return {
    routeCount: onward.reduce((sum, { routeCount }) => sum + routeCount, 0n),
    time: range(weight.timeMs, ({ time }) => time),
    meanMs: weight.timeMs + onward.reduce((sum, { meanMs }) => sum + meanMs, 0) / onward.length,
    points: range(weight.points, ({ points }) => points),
    required: range(weight.requiredStops, ({ required }) => required),
  };
}

/** In how many orders the parts that may be taken freely can be taken. */
function ordersOf({ parts, freeFrom }: PathLesson): bigint {
  let orders = 1n;
  if (freeFrom !== undefined) for (let count = parts.length - freeFrom; count > 1; count--) orders *= BigInt(count);
  return orders;
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

/** The longest way from each node to an end, in ms of its own and all that follows; turning back is not counted. */
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
    found[index] = weighNode(lesson, node).timeMs + Math.max(0, ...after);
  }
  longest.set(lesson, found);
  return found;
}
const longest = new WeakMap<PathLesson, readonly number[]>();

import type { Hundredths } from '../elements/points.ts';
import { type OwnSums, sumsOf, topological } from './path-figures.ts';
import { type PathNode, pathGraph, type Via } from './path-graph.ts';
import type { PathLesson } from './path-lesson.ts';

/** One way through a lesson, stretch by stretch. */
export interface Route {
  readonly steps: readonly RouteStep[];
  readonly timeMs: number;
  readonly points: Hundredths;
}

export interface RouteStep {
  readonly node: PathNode;
  /** What led on from it. */
  readonly via: Via;
}

/**
 * Routes one by one, the first ways first, up to a number; ways that turn back are not taken, and a board counts as
 * its mean time and all its points.
 * @param most how many at the most; how many there are is told by `pathFigures`
 */
export function listRoutes(lesson: PathLesson, most: number): readonly Route[] {
  const graph = pathGraph(lesson);
  if (graph.start === null) return [];
  const { isBack } = topological(graph);
  const { own } = sumsOf(lesson);
  const routes: Route[] = [];
  const walk = (index: number, before: readonly RouteStep[], timeMs: number, points: Hundredths): void => {
    const node = graph.nodes[index] as PathNode;
    const weight = own[index] as OwnSums;
    const sum = {
      timeMs: timeMs + (typeof weight.timeMs === 'number' ? weight.timeMs : weight.timeMs.mean),
      points: points + (typeof weight.points === 'number' ? weight.points : weight.points.max),
    };
    for (const [place, { to, via }] of node.edges.entries()) {
      if (routes.length >= most) return;
      const steps = [...before, { node, via }];
      if (to === null) routes.push({ steps, ...sum });
      else if (to >= 0 && !isBack.has(`${index}:${place}`)) walk(to, steps, sum.timeMs, sum.points);
    }
  };
  walk(graph.start, [], 0, 0);
  return routes;
}

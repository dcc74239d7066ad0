import { alg, Graph } from '@dagrejs/graphlib';
import { checkPath } from '@semita/core/checks';
import { type Lesson, type Part, untimedWindow } from '@semita/core/lesson';
import { type PathGraph, pathFigures, pathGraph } from '@semita/core/path';
import { type Figure, medianRatio, timeOf } from './compare.ts';

const partCount = 500;

/** 500 parts; every fifth sends on to one of two of those that follow. */
function createLesson(): Lesson {
  const id = (index: number) => `part-${Math.min(index, partCount - 1)}`;
  const parts = Array.from({ length: partCount }, (_, index): Part => {
    const base = { id: id(index), kind: 'task', title: id(index), ...untimedWindow } as const;
    const pause = { id: `note-${index}`, kind: 'pause', atMs: 0, note: 'Look.' } as const;
    if (index % 5 !== 0 || index + 5 >= partCount) return { ...base, stops: [pause] };
    const to = [index + 1, index + 3].map((next) => ({ kind: 'part', partId: id(next) }) as const);
    const choices = to.map((target, way) => ({ id: `way-${index}-${way}`, words: 'This way', to: target }));
    return { ...base, stops: [pause, { id: `fork-${index}`, kind: 'fork', atMs: 0, prompt: 'Which?', choices }] };
  });
  return { title: 'Long', parts };
}

/** The same questions asked of a library for graphs: what is reached, shortest, longest, and how many routes. */
function askLibrary({ nodes }: PathGraph): unknown {
  const graph = new Graph({ directed: true, multigraph: true });
  for (const index of nodes.keys()) graph.setNode(String(index));
  graph.setNode('end');
  for (const [index, { edges }] of nodes.entries())
    for (const [place, { to }] of edges.entries())
      graph.setEdge(String(index), to === null ? 'end' : String(to), 1, String(place));
  const reached = alg.preorder(graph, ['0']);
  const shortest = alg.dijkstra(graph, '0', () => 1);
  const longest = new Map<string, number>();
  const routes = new Map<string, bigint>([['end', 1n]]);
  for (const node of alg.topsort(graph).toReversed()) {
    const onward = (graph.outEdges(node) ?? []).map(({ w }) => w);
    longest.set(node, Math.max(0, ...onward.map((next) => 1 + (longest.get(next) ?? 0))));
    if (node !== 'end')
      routes.set(
        node,
        onward.reduce((sum, next) => sum + (routes.get(next) ?? 0n), 0n),
      );
  }
  return [reached, shortest, longest, routes];
}

export async function measurePath(): Promise<Figure[]> {
  const lesson = createLesson();
  const graph = pathGraph(lesson);
  // What is computed of a lesson is remembered with the object; a new one each time is computed anew.
  const ours = () => {
    const fresh = { ...lesson };
    return [checkPath(fresh), pathFigures(fresh)];
  };
  const ms = timeOf(ours);
  return [
    {
      name: `Checks and figures of a path of ${partCount} parts (${ms.toFixed(1)} ms) ÷ a library for graphs on the same`,
      ratio: await medianRatio(
        7,
        () => timeOf(ours),
        () => timeOf(() => askLibrary(graph)),
      ),
      goal: 1,
      better: 'lower',
    },
  ];
}

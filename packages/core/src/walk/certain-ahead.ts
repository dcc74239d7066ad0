import type { AttemptState } from '../attempt/attempt-state.ts';
import { topological } from '../path/path-figures.ts';
import { keyOf, pathGraph } from '../path/path-graph.ts';
import { isStraight, type PathLesson } from '../path/path-lesson.ts';
import { routeOf } from './route.ts';
import type { WalkLesson } from './walk-lesson.ts';

/** What of a student's way ahead is certain. */
export interface Ahead {
  /** Parts they will come to whatever they answer and choose, in the order of the lesson. */
  readonly partIds: readonly string[];
  /** Whether their answers and choices decide on more than these. */
  readonly isOpen: boolean;
}

/**
 * The parts a student is certain to come to, so that nothing is given away of ways that may never be theirs.
 * @param lesson with its rules; where they are hidden, nothing is known
 */
export function certainAhead(lesson: WalkLesson, state: AttemptState): Ahead {
  if (isStraight(lesson)) return { partIds: lesson.parts.map(({ id }) => id), isOpen: false };
  const route = routeOf(lesson, state);
  const leg = route.legs.at(-1);
  if (!leg || route.isAtEnd) return { partIds: [], isOpen: false };
  if (pathGraph(lesson).nodes.length > maxNodes) return { partIds: [leg.partId], isOpen: true };
  const { certain, every, indexOf } = reachOf(lesson);
  const here = { partId: leg.partId, stopIndex: leg.atStop, fromMs: leg.atMs };
  // Behind a tile, what comes after its board is as certain as before.
  const places = [...leg.returns, here].map((place, index) => indexOf.get(keyOf(place, leg.returns.slice(0, index))));
  const known = places.flatMap((index) => (index === undefined ? [] : [index]));
  const sure = new Set(known.flatMap((index) => [...(certain[index] ?? [])]));
  const perhaps = new Set(known.flatMap((index) => [...(every[index] ?? [])]));
  return {
    partIds: lesson.parts.map(({ id }) => id).filter((id) => sure.has(id)),
    isOpen: [...perhaps].some((id) => !sure.has(id)),
  };
}

/** Beyond this, holding what is certain from everywhere would take more room than it is worth. */
const maxNodes = 2_000;

interface Reach {
  /** By node: parts on all routes from it, and parts on any. */
  readonly certain: readonly ReadonlySet<string>[];
  readonly every: readonly ReadonlySet<string>[];
  readonly indexOf: ReadonlyMap<string, number>;
}

const reaches = new WeakMap<PathLesson, Reach>();

function reachOf(lesson: PathLesson): Reach {
  const known = reaches.get(lesson);
  if (known) return known;
  const graph = pathGraph(lesson);
  const { order, isBack } = topological(graph);
  const certain: Set<string>[] = graph.nodes.map(() => new Set());
  const every: Set<string>[] = graph.nodes.map(() => new Set());
  for (const index of order.toReversed()) {
    const node = graph.nodes[index];
    if (!node) continue;
    const onward = node.edges.flatMap(({ to, via }, place) =>
      to === null ? [null] : to < 0 || isBack.has(`${index}:${place}`) ? [] : [{ to, isTile: via.kind === 'tile' }],
    );
    every[index] = new Set([node.partId, ...onward.flatMap((edge) => (edge ? [...(every[edge.to] ?? [])] : []))]);
    // Which tiles are taken is never certain; that the board is left is.
    const decided = onward.filter((edge) => !edge?.isTile);
    const first = decided[0] ? [...(certain[decided[0].to] ?? [])] : [];
    const shared = first.filter((id) => decided.every((edge) => edge && certain[edge.to]?.has(id)));
    certain[index] = new Set([node.partId, ...shared]);
  }
  const found = { certain, every, indexOf: new Map(graph.nodes.map(({ key }, index) => [key, index])) };
  reaches.set(lesson, found);
  return found;
}

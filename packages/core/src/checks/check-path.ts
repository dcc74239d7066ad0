import { type PathEdge, pathGraph, type Via } from '../path/path-graph.ts';
import { isAside, isTurn, type PathLesson, partById } from '../path/path-lesson.ts';
import type { PathFaultCode } from './path-fault.ts';

/** Something wrong with the path, and the place that would mend it. */
export interface PathFault {
  readonly code: PathFaultCode;
  readonly partId?: string;
  readonly stopId?: string;
}

/**
 * Faults of a path: a part nobody comes to, a way that leads to nothing, a place from which no end is reached (a loop
 * without a way out, too), a part that leads back where nobody turned into it, and a tile from which nobody comes back
 * to the board.
 */
export function checkPath(lesson: PathLesson): readonly PathFault[] {
  const graph = pathGraph(lesson);
  const faults: PathFault[] = [];
  const reached = new Set(graph.nodes.map(({ partId }) => partId));
  const firstPart = lesson.parts[0];
  if (graph.start === null && firstPart) return [{ code: 'backNowhere', partId: firstPart.id }];
  const partOfStop = new Map(lesson.parts.flatMap((part) => part.stops.map((stop) => [stop.id, part.id] as const)));
  const told = new Set<string>();
  const tell = (fault: PathFault) => {
    const key = JSON.stringify(fault);
    if (!told.has(key)) faults.push(fault);
    told.add(key);
  };
  for (const { partId, edges } of graph.nodes)
    for (const { to, via } of edges)
      if (to === -1 && !graph.isTooDeep) tell({ code: codeOf(via), ...placeOf(via, partId, partOfStop) });
  for (const part of lesson.parts) if (!reached.has(part.id)) tell({ code: 'partUnreachable', partId: part.id });
  const leading = leadsToEnd(graph.nodes);
  for (const [index, { partId }] of graph.nodes.entries())
    if (!leading[index] && !told.has(JSON.stringify({ code: 'noWayOut', partId }))) tell({ code: 'noWayOut', partId });
  for (const part of lesson.parts)
    for (const { id: stopId, tiles } of part.stops)
      for (const { to } of tiles ?? [])
        if (to.kind === 'part' && partById(lesson, to.partId) && !isAside(lesson, to.partId))
          tell({ code: 'tileGoesOn', partId: part.id, stopId });
  if (graph.isTooDeep) tell({ code: 'tooDeep' });
  if (lesson.freeFrom !== undefined && isTurned(lesson)) tell({ code: 'freeWithTurns' });
  return faults;
}

const codeOf = (via: Via): PathFaultCode => (via.kind === 'next' ? 'backNowhere' : 'wayNowhere');

function placeOf(
  via: Via,
  partId: string,
  partOfStop: ReadonlyMap<string, string>,
): Pick<PathFault, 'partId' | 'stopId'> {
  const stopId = via.kind === 'choice' || via.kind === 'tile' ? via.stopId : via.kind === 'rule' ? via.of : null;
  const ofStop = stopId === null ? undefined : partOfStop.get(stopId);
  return ofStop === undefined || stopId === null ? { partId } : { partId: ofStop, stopId };
}

/** In any order, parts have no place a way could lead from or to. */
function isTurned(lesson: PathLesson): boolean {
  return lesson.parts.some(
    (part) => part.rules?.length || part.next || isAside(lesson, part.id) || part.stops.some(isTurn),
  );
}

/** From which nodes an end is reached: backwards from the ends. */
function leadsToEnd(nodes: readonly { readonly edges: readonly PathEdge[] }[]): boolean[] {
  const from: number[][] = nodes.map(() => []);
  const leads: boolean[] = new Array(nodes.length).fill(false);
  const waiting: number[] = [];
  for (const [index, { edges }] of nodes.entries())
    for (const { to } of edges) {
      if (to === null) {
        if (!leads[index]) waiting.push(index);
        leads[index] = true;
      } else if (to >= 0) from[to]?.push(index);
    }
  for (let node = waiting.pop(); node !== undefined; node = waiting.pop())
    for (const before of from[node] ?? []) {
      if (leads[before]) continue;
      leads[before] = true;
      waiting.push(before);
    }
  return leads;
}

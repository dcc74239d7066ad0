import type { Hundredths } from '../elements/points.ts';
import { stopTimeMs } from '../lesson/answer-time.ts';
import { hasLength, possiblePoints, type Target } from '../lesson/lesson.ts';
import type { QuestionKind } from '../question/question.ts';
import {
  type Arrival,
  arriveAt,
  beginningOf,
  isTurn,
  orderedStops,
  type PathLesson,
  type PathPart,
  type PathStop,
  type Place,
  partAfter,
  partById,
  type Returns,
  within,
} from './path-lesson.ts';

/** A stretch of a part that is walked without a choice: from a place to the next stop that can lead elsewhere, or to the part's end. */
export interface PathNode {
  readonly key: string;
  readonly partId: string;
  /** Numbers of its first stop and behind its last, in the order they are met. */
  readonly fromStop: number;
  readonly untilStop: number;
  readonly fromMs: number;
  readonly toMs: number;
  readonly returns: Returns;
  readonly edges: readonly PathEdge[];
}

export interface PathEdge {
  /** Index of the node it leads to; null for the lesson's end; -1 for nowhere. */
  readonly to: number | null;
  readonly via: Via;
}

/** What makes a way: a choice of a fork, a tile of a board, a rule, a part's own next place, or the usual order. */
export type Via =
  | { readonly kind: 'choice'; readonly stopId: string; readonly choiceId: string }
  | { readonly kind: 'tile'; readonly stopId: string; readonly tileId: string }
  | { readonly kind: 'rule'; readonly of: string; readonly ruleId: string }
  | { readonly kind: 'next'; readonly partId: string }
  | { readonly kind: 'order' };

export interface PathGraph {
  readonly nodes: readonly PathNode[];
  /** Index of the first node; null for a lesson without parts. */
  readonly start: number | null;
  /** Asides lead into each other without end, or ways are more than can be looked at. */
  readonly isTooDeep: boolean;
}

/** Beyond this nobody has written the path; it would come of asides inside asides. */
const maxNodes = 20_000;

/** What a place is known by, with where it leads back to. */
export const keyOf = (place: Place, returns: Returns): string =>
  returns.length === 0 ? placeKey(place) : [place, ...returns].map(placeKey).join('<');

const placeKey = ({ partId, stopIndex, fromMs }: Place) => `${partId}#${stopIndex}@${fromMs}`;

/**
 * The path of a lesson as a directed graph. Parts stand in it in stretches between the stops that can lead elsewhere;
 * a part that leads back stands once for each way into it, because that is how many places it can lead back to.
 */
export function pathGraph(lesson: PathLesson): PathGraph {
  const known = graphs.get(lesson);
  if (known) return known;
  const graph = build(lesson);
  graphs.set(lesson, graph);
  return graph;
}
/** Lessons are never altered, so the graph of one is made once. */
const graphs = new WeakMap<PathLesson, PathGraph>();

function build(lesson: PathLesson): PathGraph {
  const first = partAfter(lesson, null);
  if (!first) return { nodes: [], start: null, isTooDeep: false };
  const nodes: PathNode[] = [];
  const indexOf = new Map<string, number>();
  const arrivals: Arrival[] = [];
  const deepest = lesson.parts.length + 1;
  let isTooDeep = false;
  const enter = (arrival: Arrival | 'end' | 'missing'): number | null => {
    if (arrival === 'end') return null;
    if (arrival === 'missing') return -1;
    const key = keyOf(arrival.place, arrival.returns);
    const met = indexOf.get(key);
    if (met !== undefined) return met;
    if (arrivals.length >= maxNodes || arrival.returns.length > deepest) {
      isTooDeep = true;
      return -1;
    }
    indexOf.set(key, arrivals.length);
    return arrivals.push(arrival) - 1;
  };
  enter({ place: beginningOf(first), returns: [] });
  for (let index = 0; index < arrivals.length; index++) {
    const { place, returns } = arrivals[index] as Arrival;
    nodes.push(
      nodeAt(partById(lesson, place.partId) as PathPart, place, returns, (target, from, isPartEnd) =>
        enter(arriveAt(lesson, target, from, returns, isPartEnd)),
      ),
    );
  }
  return { nodes, start: 0, isTooDeep };
}

type Lead = (target: Target, from: Place, isPartEnd: boolean) => number | null;

function nodeAt(part: PathPart, place: Place, returns: Returns, lead: Lead): PathNode {
  const stops = orderedStops(part);
  const { stopIndex: fromStop, fromMs } = place;
  let turn = fromStop;
  while (turn < stops.length && !isTurn(stops[turn] as PathStop)) turn++;
  const turnStop = stops[turn];
  const untilStop = turnStop ? turn + 1 : stops.length;
  const toMs = Math.max(fromMs, turnStop ? within(part, turnStop.atMs) : part.outMs);
  const from = { partId: part.id, stopIndex: untilStop, fromMs: toMs };
  const edges = turnStop ? edgesOfTurn(turnStop, from, lead) : edgesOfEnd(part, from, lead);
  return { key: keyOf(place, returns), partId: part.id, fromStop, untilStop, fromMs, toMs, returns, edges };
}

function edgesOfTurn(stop: PathStop, from: Place, lead: Lead): PathEdge[] {
  if (stop.kind === 'fork')
    return (stop.choices ?? []).map(({ id, to }) => ({
      to: lead(to, from, false),
      via: { kind: 'choice', stopId: stop.id, choiceId: id },
    }));
  const onward: PathEdge = { to: lead({ kind: 'onward' }, from, false), via: { kind: 'order' } };
  if (stop.kind === 'board') return [...edgesOfTiles(stop, { ...from, stopIndex: from.stopIndex - 1 }, lead), onward];
  return [...edgesOfRules(stop, from, lead, false), onward];
}

/** Each tile leads to its part, and from there back to the board. */
function edgesOfTiles({ id: stopId, tiles }: PathStop, board: Place, lead: Lead): PathEdge[] {
  return (tiles ?? []).flatMap(({ id: tileId, to }): PathEdge[] =>
    to.kind === 'part' ? [{ to: lead(to, board, false), via: { kind: 'tile', stopId, tileId } }] : [],
  );
}

function edgesOfEnd(part: PathPart, from: Place, lead: Lead): PathEdge[] {
  const via: Via = part.next ? { kind: 'next', partId: part.id } : { kind: 'order' };
  return [...edgesOfRules(part, from, lead, true), { to: lead(part.next ?? { kind: 'onward' }, from, true), via }];
}

const noEdges: PathEdge[] = [];

function edgesOfRules(of: PathStop | PathPart, from: Place, lead: Lead, isPartEnd: boolean): PathEdge[] {
  if (!of.rules) return noEdges;
  return of.rules.flatMap((rule): PathEdge[] =>
    'hidden' in rule ? [] : [{ to: lead(rule.to, from, isPartEnd), via: { kind: 'rule', of: of.id, ruleId: rule.id } }],
  );
}

/** What walking a node takes and can earn. */
export interface NodeWeight {
  readonly timeMs: number;
  readonly points: Hundredths;
  readonly requiredStops: number;
}

type TimedStop = PathStop & {
  readonly questions?: readonly { readonly points: number; readonly kind: QuestionKind }[];
};

export function weighNode(lesson: PathLesson, node: PathNode): NodeWeight {
  const part = partById(lesson, node.partId);
  if (!part) return { timeMs: 0, points: 0, requiredStops: 0 };
  const stops = orderedStops(part).slice(node.fromStop, node.untilStop) as readonly TimedStop[];
  const walkMs = hasLength(part) ? Math.max(0, node.toMs - node.fromMs) : 0;
  return {
    timeMs: walkMs + stops.reduce((sum, stop) => sum + stopTimeMs(stop), 0),
    points: part.practice ? 0 : stops.reduce((sum, stop) => sum + possiblePoints(stop), 0),
    requiredStops: stops.filter(
      ({ kind, required }) => kind === 'fork' || kind === 'board' || (kind === 'checkpoint' && required),
    ).length,
  };
}

/** A board, with what it asks for. */
export type NeedingStop = PathStop & Required<Pick<PathStop, 'columns' | 'tiles' | 'need'>>;

/** The board on which a node ends, if it does. */
export function boardAt(lesson: PathLesson, node: PathNode | undefined): NeedingStop | null {
  const part = partById(lesson, node?.partId);
  if (!part || !node || node.untilStop <= node.fromStop) return null;
  const stop = orderedStops(part)[node.untilStop - 1];
  return stop?.kind === 'board' && stop.tiles && stop.need ? (stop as NeedingStop) : null;
}

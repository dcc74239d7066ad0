import type { Board, Tile } from '../lesson/board.ts';
import type {
  Checkpoint,
  ForkChoice,
  Lesson,
  PartHead,
  PartKind,
  PartSource,
  PartTarget,
  Rule,
  Stop,
  Target,
} from '../lesson/lesson.ts';
import type { Question } from '../question/question.ts';

/** What the path needs to know of a lesson; drafts, editions and what browsers hold all fit. */
export interface PathLesson extends Pick<Lesson, 'freeFrom'> {
  readonly parts: readonly PathPart[];
}

export interface PathPart extends Pick<PartHead, 'id' | 'inMs' | 'outMs' | 'practice' | 'next' | 'anyOrder'> {
  readonly kind: PartKind;
  readonly stops: readonly PathStop[];
  readonly rules?: readonly PathRule[] | undefined;
  /** Of what has come in from another lesson: in whose place it stands, and whether it is an aside there. */
  readonly from?: Pick<PartSource, 'linkId' | 'isAside'> | undefined;
}

/** A browser knows that there are rules, and not what they are. */
export type PathRule = Rule | { readonly hidden: true };

/** Of a stop of any kind, what its kind has. */
export interface PathStop
  extends Pick<Stop, 'id' | 'kind' | 'atMs'>,
    Partial<Pick<Checkpoint, 'required' | 'pick'>>,
    Partial<Pick<Board, 'columns' | 'need'>> {
  readonly questions?: readonly Pick<Question, 'points'>[];
  readonly rules?: readonly PathRule[] | undefined;
  readonly choices?: readonly Pick<ForkChoice, 'id' | 'to'>[];
  readonly tiles?: readonly PathTile[];
}

export type PathTile = Pick<Tile, 'id' | 'minutes' | 'worth' | 'row' | 'to'>;

/** Stops in the order a learner meets them; remembered, because lessons are never altered. */
export function orderedStops<S extends { readonly atMs: number }>(part: {
  readonly stops: readonly S[];
}): readonly S[] {
  const known = ordered.get(part.stops);
  if (known) return known as readonly S[];
  const found = part.stops.toSorted((a, b) => a.atMs - b.atMs);
  ordered.set(part.stops, found);
  return found;
}
const ordered = new WeakMap<readonly { readonly atMs: number }[], readonly { readonly atMs: number }[]>();

/** Whether a stop can lead elsewhere. */
export function isTurn(stop: PathStop): boolean {
  return stop.kind === 'fork' || stop.kind === 'board' || (stop.rules?.length ?? 0) > 0;
}

/**
 * Whether a part is an aside: it leads back, or on to parts of which the last does. Only a way that is turned into
 * leads to one; the usual order passes it by.
 */
export function isAside(lesson: PathLesson, partId: string): boolean {
  return placesOf(lesson).asides.has(partId);
}

/** What is looked up of a lesson again and again; made once, because lessons are never altered. */
interface Places {
  readonly partOf: ReadonlyMap<string, PathPart>;
  readonly asides: ReadonlySet<string>;
  /** By a part's id, and null for the beginning: the part that comes after it in the usual order. */
  readonly after: ReadonlyMap<string | null, PathPart | undefined>;
}

function placesOf(lesson: PathLesson): Places {
  const known = places.get(lesson);
  if (known) return known;
  const partOf = new Map(lesson.parts.map((part) => [part.id, part]));
  const asides = asidesOf(lesson, partOf);
  const after = new Map<string | null, PathPart | undefined>();
  let next: PathPart | undefined;
  for (const part of lesson.parts.toReversed()) {
    after.set(part.id, next);
    if (!asides.has(part.id)) next = part;
  }
  after.set(null, next);
  const found = { partOf, asides, after };
  places.set(lesson, found);
  return found;
}
const places = new WeakMap<PathLesson, Places>();

/** A part of the path by its id. */
export const partById = (lesson: PathLesson, partId: string | undefined): PathPart | undefined =>
  partId === undefined ? undefined : placesOf(lesson).partOf.get(partId);

function asidesOf({ parts }: PathLesson, partOf: ReadonlyMap<string, PathPart>): ReadonlySet<string> {
  const found = new Set<string>();
  for (const part of parts) {
    if (!part.next || part.next.kind === 'end' || part.next.kind === 'onward') continue;
    const chain = new Set<string>();
    let last: PathPart | undefined = part;
    while (last?.next?.kind === 'part' && isBeginning(last.next) && !chain.has(last.id)) {
      chain.add(last.id);
      last = partOf.get(last.next.partId);
    }
    if (last?.next?.kind !== 'back') continue;
    for (const id of [...chain, last.id]) found.add(id);
  }
  return found;
}

/** Whether every student walks the parts one after the other, each to its end. */
export function isStraight(lesson: PathLesson): boolean {
  const known = straight.get(lesson);
  if (known !== undefined) return known;
  const found = lesson.parts.every((part) => !part.next && (part.rules?.length ?? 0) === 0 && !part.stops.some(isTurn));
  straight.set(lesson, found);
  return found;
}
const straight = new WeakMap<PathLesson, boolean>();

/** A place on the path: in a part, before one of its stops. */
export interface Place {
  readonly partId: string;
  /** Number of the stop in the order they are met; behind the last for the part's end. */
  readonly stopIndex: number;
  /** Where that is, in ms of the part's axis: at the stop one is led to, or where one has come past the one before. */
  readonly fromMs: number;
}

/** Where a way that was turned into leads back to, the latest last. */
export type Returns = readonly Place[];

export interface Arrival {
  readonly place: Place;
  readonly returns: Returns;
}

/** The part that comes after another in the usual order; the first of all for null. */
export function partAfter(lesson: PathLesson, partId: string | null): PathPart | undefined {
  return placesOf(lesson).after.get(partId);
}

/**
 * Where a target leads to from a place.
 * @param from the place after the turn, so that whoever comes back goes on from there
 * @returns the place; `end` where the lesson ends; `missing` where it leads to nothing
 */
export function arriveAt(
  lesson: PathLesson,
  target: Target,
  from: Place,
  returns: Returns,
  isPartEnd: boolean,
): Arrival | 'end' | 'missing' {
  switch (target.kind) {
    case 'end':
      return 'end';
    case 'onward': {
      if (!isPartEnd) return { place: from, returns };
      const next = partAfter(lesson, from.partId);
      return next ? { place: beginningOf(next), returns: [] } : 'end';
    }
    case 'back': {
      const place = returns.at(-1);
      return place ? { place, returns: returns.slice(0, -1) } : 'missing';
    }
    case 'part': {
      const part = partById(lesson, target.partId);
      if (!part) return 'missing';
      const place = placeIn(part, target);
      if (!place) return 'missing';
      if (!isAside(lesson, part.id)) return { place, returns: [] };
      // From an aside's end on to its next part is still the same aside; so is a way inside a lesson that is one.
      const before = partById(lesson, from.partId);
      const isInside = before?.from && before.from.linkId === part.from?.linkId && !part.from.isAside;
      const goesOn = isInside || (isPartEnd && isAside(lesson, from.partId));
      return { place, returns: goesOn ? returns : [...returns, from] };
    }
  }
}

export const beginningOf = ({ id, inMs }: PathPart): Place => ({ partId: id, stopIndex: 0, fromMs: inMs });

const isBeginning = ({ stopId, at }: PartTarget) => stopId === undefined && at === undefined;

/** Where in a part a target leads to; null where its stop is gone, or its place lies outside the window. */
export function placeIn(part: PathPart, { stopId, at }: PartTarget): Place | null {
  const stops = orderedStops(part);
  if (stopId !== undefined) {
    const stopIndex = stops.findIndex(({ id }) => id === stopId);
    const stop = stops[stopIndex];
    return stop ? { partId: part.id, stopIndex, fromMs: within(part, stop.atMs) } : null;
  }
  if (at === undefined) return beginningOf(part);
  if (at.atMs < part.inMs || at.atMs >= part.outMs) return null;
  const next = stops.findIndex(({ atMs }) => atMs >= at.atMs);
  return { partId: part.id, stopIndex: next < 0 ? stops.length : next, fromMs: at.atMs };
}

/** A place of a part's axis that lies in its window. */
export const within = ({ inMs, outMs }: Pick<PathPart, 'inMs' | 'outMs'>, ms: number): number =>
  Math.min(outMs, Math.max(inMs, ms));

/**
 * The first of the parts that may be taken in any order together with the one at an index, itself where its place is
 * fixed: those from `freeFrom` on, and those that have come in from another lesson where they may.
 */
export function freeStart({ parts, freeFrom }: PathLesson, index: number): number {
  if (freeFrom !== undefined && index >= freeFrom) return freeFrom;
  const name = parts[index]?.anyOrder;
  let start = index;
  while (name !== undefined && start > 0 && parts[start - 1]?.anyOrder === name) start--;
  return start;
}

/** Whether the part at an index may be taken in another order with its neighbours. */
export const isFree = (lesson: PathLesson, index: number): boolean =>
  (lesson.freeFrom !== undefined && index >= lesson.freeFrom) || lesson.parts[index]?.anyOrder !== undefined;

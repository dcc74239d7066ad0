import type { RuleCondition, Target } from '../lesson/lesson.ts';
import { pathGraph, type Via } from './path-graph.ts';
import {
  isAside,
  isTurn,
  orderedStops,
  type PathLesson,
  type PathPart,
  partAfter,
  partById,
  placeIn,
} from './path-lesson.ts';

/** One way from a part, as it is drawn on the map and told in the list. */
export interface Way {
  /** The same for the same way, whatever else changes. */
  readonly key: string;
  readonly fromPartId: string;
  /** Null for the lesson's end. */
  readonly toPartId: string | null;
  readonly via: Via;
  readonly target: Target;
  /** Where in the part it leaves; null at its end. */
  readonly stopId: string | null;
  readonly when: RuleCondition | null;
  /** It leads to nothing. */
  readonly isBroken: boolean;
  /** Whoever takes it comes back. */
  readonly isDetour: boolean;
}

export const wayKey = (via: Via, fromPartId: string): string => {
  switch (via.kind) {
    case 'choice':
      return `choice:${via.stopId}:${via.choiceId}`;
    case 'tile':
      return `tile:${via.stopId}:${via.tileId}`;
    case 'rule':
      return `rule:${via.of}:${via.ruleId}`;
    default:
      return `end:${fromPartId}`;
  }
};

/**
 * Every way that leads from one part to another, to the end, or to another place in the same part. A way that only
 * goes on in its part is none, and so is the end of a part that everybody has left before; an aside leads back to
 * each part that leads into it.
 */
export function waysOf(lesson: PathLesson): readonly Way[] {
  const into = new Map<string, Set<string>>();
  const ways = lesson.parts.flatMap((part) => turnsOf(lesson, part));
  for (const { fromPartId, toPartId, isDetour } of ways)
    for (const id of isDetour && toPartId !== null ? asideFrom(lesson, toPartId) : [])
      into.set(id, (into.get(id) ?? new Set()).add(fromPartId));
  const ended = endedParts(lesson);
  const ends = lesson.parts.filter(({ id }) => ended.has(id));
  return [...ways, ...ends.flatMap((part) => endsOf(lesson, part, [...(into.get(part.id) ?? [])]))];
}

/** The parts of an aside from one of them on. */
function asideFrom(lesson: PathLesson, partId: string): readonly string[] {
  const ids: string[] = [];
  for (let id: string | undefined = partId; id !== undefined && !ids.includes(id); ) {
    ids.push(id);
    const next: Target | undefined = lesson.parts.find((part) => part.id === id)?.next;
    id = next?.kind === 'part' ? next.partId : undefined;
  }
  return ids;
}

/** The parts somebody can walk to the end, and those nobody comes to. */
function endedParts(lesson: PathLesson): ReadonlySet<string> {
  const ended = new Set(lesson.parts.map(({ id }) => id));
  const { nodes } = pathGraph(lesson);
  for (const { partId } of nodes) ended.delete(partId);
  const parts = new Map(lesson.parts.map((part) => [part.id, part]));
  for (const { partId, fromStop, untilStop } of nodes) {
    const part = parts.get(partId);
    if (part && !orderedStops(part).slice(fromStop, untilStop).some(isTurn)) ended.add(partId);
  }
  return ended;
}

function turnsOf(lesson: PathLesson, part: PathPart): Way[] {
  const ofStops = orderedStops(part).flatMap((stop): Way[] => {
    const choices = (stop.choices ?? []).map(({ id, to }) =>
      wayTo(lesson, part, to, { kind: 'choice', stopId: stop.id, choiceId: id }, stop.id, null),
    );
    const tiles = (stop.tiles ?? []).map(({ id, to }) =>
      to.kind === 'part' ? wayTo(lesson, part, to, { kind: 'tile', stopId: stop.id, tileId: id }, stop.id, null) : null,
    );
    return [...choices, ...tiles, ...rulesOf(lesson, part, stop.rules ?? [], stop.id, stop.id)].filter(
      (way) => way !== null,
    );
  });
  const ofPart = rulesOf(lesson, part, part.rules ?? [], part.id, null).filter((way) => way !== null);
  return [...ofStops, ...ofPart];
}

function rulesOf(
  lesson: PathLesson,
  part: PathPart,
  rules: NonNullable<PathPart['rules']>,
  of: string,
  stopId: string | null,
): (Way | null)[] {
  return rules.map((rule) =>
    'hidden' in rule ? null : wayTo(lesson, part, rule.to, { kind: 'rule', of, ruleId: rule.id }, stopId, rule.when),
  );
}

/** Null for a way that goes on in its part. */
function wayTo(
  lesson: PathLesson,
  part: PathPart,
  target: Target,
  via: Via,
  stopId: string | null,
  when: RuleCondition | null,
): Way | null {
  if (target.kind === 'onward' && stopId !== null) return null;
  const to = partOf(lesson, part, target);
  return {
    ...{ key: wayKey(via, part.id), fromPartId: part.id, via, target, stopId, when },
    toPartId: to?.id ?? null,
    isBroken: to === undefined,
    isDetour: target.kind === 'part' && !!to && isAside(lesson, to.id),
  };
}

/** The part a target leads to; null for the end, undefined for nothing. */
function partOf(lesson: PathLesson, part: PathPart, target: Target): PathPart | null | undefined {
  if (target.kind === 'end') return null;
  if (target.kind === 'onward') return partAfter(lesson, part.id) ?? null;
  if (target.kind === 'back') return undefined;
  const found = partById(lesson, target.partId);
  return found && placeIn(found, target) ? found : undefined;
}

/** Where a part leads when nothing in it leads elsewhere. */
function endsOf(lesson: PathLesson, part: PathPart, origins: readonly string[]): Way[] {
  const via: Via = part.next ? { kind: 'next', partId: part.id } : { kind: 'order' };
  const target = part.next ?? ({ kind: 'onward' } as const);
  const base = { fromPartId: part.id, via, target, stopId: null, when: null, isDetour: false };
  if (target.kind === 'back')
    return origins.map((toPartId) => ({ ...base, key: `back:${part.id}:${toPartId}`, toPartId, isBroken: false }));
  const to = partOf(lesson, part, target);
  return [{ ...base, key: wayKey(via, part.id), toPartId: to?.id ?? null, isBroken: to === undefined }];
}

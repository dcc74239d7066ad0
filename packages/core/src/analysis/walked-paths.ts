import type { AttemptState, RouteState } from '../attempt/attempt-state.ts';
import type { Lesson } from '../lesson/lesson.ts';
import { isStraight } from '../path/path-lesson.ts';
import { wayKey } from '../path/ways.ts';
import { isPartFinished } from '../walk/gates.ts';
import { routeOf } from '../walk/route.ts';
import { medianOf } from './median.ts';

/** Where students went, in a lesson that some have walked. */
export interface WalkedPaths {
  /** How many students took each way, by its key. */
  readonly taken: Readonly<Record<string, number>>;
  /** How many came back to a fork to choose anew, by the fork. */
  readonly turnedBack: Readonly<Record<string, number>>;
  /** Students that are in a part now and have not handed in, by the part. */
  readonly at: Readonly<Record<string, readonly string[]>>;
  /** The routes of those who came to the end, the most walked first. */
  readonly routes: readonly WalkedRoute[];
}

export interface WalkedRoute {
  readonly partIds: readonly string[];
  /** The ways it took, by their keys. */
  readonly wayKeys: readonly string[];
  readonly studentIds: readonly string[];
  /** Time on task: half of the students took less, half more. */
  readonly medianTimeMs: number;
}

interface Walk {
  readonly studentId: string;
  readonly state: AttemptState;
}

/**
 * Counts the ways that were taken, by students who have begun.
 * @param lesson the edition they walk, with its rules
 */
export function walkedPaths(lesson: Lesson, walks: readonly Walk[]): WalkedPaths {
  const taken: Record<string, number> = {};
  const turnedBack: Record<string, number> = {};
  const at: Record<string, string[]> = {};
  const routes = new Map<string, { partIds: readonly string[]; wayKeys: readonly string[]; walks: Walk[] }>();
  for (const walk of walks) {
    const { state, studentId } = walk;
    const { partIds, wayKeys, here, isAtEnd } = walkedBy(lesson, state);
    for (const key of wayKeys) taken[key] = (taken[key] ?? 0) + 1;
    for (const forkId of new Set(state.route?.turnedBack ?? [])) turnedBack[forkId] = (turnedBack[forkId] ?? 0) + 1;
    if (!isAtEnd && here !== undefined && state.handedInAt === null) at[here] = [...(at[here] ?? []), studentId];
    if (!isAtEnd) continue;
    const key = [...partIds, ...wayKeys].join(' ');
    const same = routes.get(key) ?? { partIds, wayKeys, walks: [] };
    same.walks.push(walk);
    routes.set(key, same);
  }
  const told = [...routes.values()].map(({ partIds, wayKeys, walks: same }) => ({
    ...{ partIds, wayKeys, studentIds: same.map(({ studentId }) => studentId) },
    medianTimeMs: medianOf(same.map(({ state }) => state.timeSpentMs)),
  }));
  return { taken, turnedBack, at, routes: told.toSorted((a, b) => b.studentIds.length - a.studentIds.length) };
}

interface Walked {
  readonly partIds: readonly string[];
  readonly wayKeys: readonly string[];
  readonly here: string | undefined;
  readonly isAtEnd: boolean;
}

/** The route as it is kept; in a lesson without turns, the parts that are done, in whatever order they were. */
function walkedBy(lesson: Lesson, state: AttemptState): Walked {
  if (isStraight(lesson)) {
    const done = lesson.parts.filter((part) => isPartFinished(part, state)).map(({ id }) => id);
    return {
      partIds: done,
      wayKeys: done.map((id) => wayKey({ kind: 'order' }, id)),
      here: state.currentPartId ?? lesson.parts[0]?.id,
      isAtEnd: done.length === lesson.parts.length,
    };
  }
  const route = routeOf(lesson, state);
  const partIds = route.legs.map(({ partId }) => partId);
  return {
    partIds: partIds.filter((id, index, all) => id !== all[index - 1]),
    wayKeys: [...new Set(keysOf(route))],
    here: partIds.at(-1),
    isAtEnd: route.isAtEnd,
  };
}

/** The keys of the ways that lead from leg to leg, and of the one to the end. */
function keysOf({ legs, isAtEnd, endVia }: RouteState): string[] {
  const between = legs.slice(1).flatMap(({ via }, index) => {
    const from = legs[index]?.partId ?? '';
    return via.kind === 'start' ? [] : [wayKey(via, from)];
  });
  const last = legs.at(-1);
  return isAtEnd && last ? [...between, wayKey(endVia ?? { kind: 'order' }, last.partId)] : between;
}

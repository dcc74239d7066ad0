import type { AttemptState, Leg, RouteState } from '../attempt/attempt-state.ts';
import { isPartFinished } from '../attempt/gates.ts';
import { routeOf } from '../attempt/route.ts';
import type { Lesson } from '../lesson/lesson.ts';
import { isStraight } from '../path/path-lesson.ts';
import { wayKey } from '../path/ways.ts';

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
    const route = walkedRoute(lesson, state);
    const wayKeys = [...new Set(keysOf(route))];
    for (const key of wayKeys) taken[key] = (taken[key] ?? 0) + 1;
    for (const forkId of new Set(route.turnedBack ?? [])) turnedBack[forkId] = (turnedBack[forkId] ?? 0) + 1;
    const here = route.legs.at(-1)?.partId;
    if (!route.isAtEnd && here !== undefined && state.handedInAt === null) at[here] = [...(at[here] ?? []), studentId];
    if (!route.isAtEnd) continue;
    const partIds = route.legs.map(({ partId }) => partId).filter((id, index, all) => id !== all[index - 1]);
    const key = [...partIds, ...wayKeys].join(' ');
    const same = routes.get(key) ?? { partIds, wayKeys, walks: [] };
    same.walks.push(walk);
    routes.set(key, same);
  }
  const told = [...routes.values()].map(({ partIds, wayKeys, walks: same }) => ({
    ...{ partIds, wayKeys, studentIds: same.map(({ studentId }) => studentId) },
    medianTimeMs: median(same.map(({ state }) => state.timeSpentMs)),
  }));
  return { taken, turnedBack, at, routes: told.toSorted((a, b) => b.studentIds.length - a.studentIds.length) };
}

/** The route as it is kept; where there is only one, the parts in their order as far as they are done. */
function walkedRoute(lesson: Lesson, state: AttemptState): RouteState {
  if (!isStraight(lesson)) return routeOf(lesson, state);
  const done = lesson.parts.findIndex((part) => !isPartFinished(part, state));
  const legs = lesson.parts.slice(0, done < 0 ? undefined : done + 1).map(
    ({ id, inMs, outMs, stops }): Leg => ({
      ...{ partId: id, via: { kind: 'order' }, fromStop: 0, fromMs: inMs, atStop: stops.length, atMs: outMs },
      ...{ untilMs: outMs, returns: [] },
    }),
  );
  return { legs, ruled: [], isAtEnd: done < 0, progress: 0 };
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

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const high = sorted[middle] ?? 0;
  return sorted.length % 2 === 1 ? high : ((sorted[middle - 1] ?? high) + high) / 2;
}

import type { Lesson, MapPosition } from '@semita/core/lesson';
import type { Way } from '@semita/core/path';

export const cardSize = { width: 184, height: 92 } as const;
export const endSize = { width: 72, height: 36 } as const;
/** The places where every route begins and ends; no part has such an id. */
export const beginId = 'begin';
export const endId = 'end';

export interface MapLayout {
  /** Where the cards stand: their left upper corners. */
  readonly places: ReadonlyMap<string, MapPosition>;
  /** How the lines run between cards that stand where they were put by the graph, by their keys. */
  readonly lines: ReadonlyMap<string, MapLine>;
}

export interface MapLine {
  /** Corners between the two cards. */
  readonly bends: readonly MapPosition[];
  readonly label: MapPosition;
}

/** What the layers of a map are computed of: its cards and the lines between them, whatever is written on them. */
export interface MapGraph {
  readonly partIds: readonly string[];
  readonly lines: readonly {
    readonly key: string;
    readonly from: string;
    readonly to: string;
    readonly isLabelled: boolean;
  }[];
}

export function mapGraph({ parts }: Lesson, drawn: readonly DrawnWay[]): MapGraph {
  return {
    partIds: parts.map(({ id }) => id),
    lines: drawn.map(({ key, from, to, way }) => ({
      ...{ key, from, to },
      isLabelled: way !== null && way.via.kind !== 'next' && way.via.kind !== 'order',
    })),
  };
}

/**
 * Where the cards of a map stand, from left to right: where the teacher has put them, and else where the layers of
 * the graph put them; and how the lines run past other cards.
 */
export function mapLayout(lesson: Lesson, drawn: readonly DrawnWay[], layers: MapLayout): MapLayout {
  const places = new Map(layers.places);
  // Parts in any order stand in the order of the lesson, from the top.
  const free = lesson.freeFrom === undefined ? [] : lesson.parts.slice(lesson.freeFrom);
  const spots = free.flatMap(({ id }) => places.get(id) ?? []).toSorted((a, b) => a.y - b.y);
  for (const [index, { id }] of free.entries()) if (spots[index]) places.set(id, spots[index]);
  for (const { id, mapAt } of lesson.parts) if (mapAt) places.set(id, mapAt);
  const moved = new Set([...lesson.parts.filter(({ mapAt }) => mapAt), ...free].map(({ id }) => id));
  const lines = new Map(layers.lines);
  for (const { key, from, to } of drawn) if (moved.has(from) || moved.has(to)) lines.delete(key);
  return { places, lines };
}

/** A way as it is drawn, from card to card. */
export interface DrawnWay {
  readonly key: string;
  readonly from: string;
  readonly to: string;
  /** Null for what is not a way of its own: into the first part, and to and from parts that come in any order. */
  readonly way: Way | null;
}

/** Parts that come in any order stand one below the other: all come after the last before them, and lead to the end. */
export function drawnWays(lesson: Lesson, ways: readonly Way[]): readonly DrawnWay[] {
  const free = lesson.freeFrom === undefined ? [] : lesson.parts.slice(lesson.freeFrom);
  const isFree = new Set(free.map(({ id }) => id));
  const fixed = lesson.parts.filter(({ id, next }) => !isFree.has(id) && next?.kind !== 'back');
  const last = fixed.at(-1)?.id ?? beginId;
  const first = fixed[0] && [{ key: beginId, from: beginId, to: fixed[0].id, way: null }];
  return [
    ...(first ?? []),
    ...ways
      // A way into an aside is drawn there and back.
      .filter(({ target }) => target.kind !== 'back')
      .filter((way) => !way.isBroken && !isFree.has(way.fromPartId) && !(way.toPartId && isFree.has(way.toPartId)))
      .filter((way) => free.length === 0 || way.toPartId !== null)
      .map((way) => ({ key: way.key, from: way.fromPartId, to: way.toPartId ?? endId, way })),
    ...free.flatMap(({ id }) => [
      { key: `free:${id}`, from: last, to: id, way: null },
      { key: `end:${id}`, from: id, to: endId, way: null },
    ]),
  ];
}

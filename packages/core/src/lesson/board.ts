import type { BlockAnchor } from '../elements/block-anchor.ts';
import type { LessonPicture, Recording } from '../elements/recording.ts';

/** A choice board: tiles to choose among, and what of them counts as done. It stands in a part of its own. */
export interface Board {
  readonly id: string;
  readonly kind: 'board';
  readonly atMs: number;
  /** As every stop has one that stands in a text; a board stands in none. */
  readonly anchor?: BlockAnchor | undefined;
  /** What to do, on top of the board. */
  readonly prompt: string;
  readonly voice?: Recording | undefined;
  /** Tiles stand in a grid of so many columns, or where each was put. */
  readonly arrangement: 'grid' | 'free';
  readonly columns: number;
  readonly tiles: readonly Tile[];
  readonly need: BoardNeed;
}

export const tileColours = ['plain', 'main', 'marigold', 'spruce', 'slate', 'brick'] as const;
export type TileColour = (typeof tileColours)[number];

/** What one does at a tile. */
export const tileKinds = ['watch', 'read', 'make', 'draw', 'calculate', 'write', 'talk', 'other'] as const;
export type TileKind = (typeof tileKinds)[number];

export interface Tile {
  readonly id: string;
  readonly title: string;
  readonly picture?: LessonPicture | undefined;
  readonly colour: TileColour;
  readonly does: TileKind;
  /** About how long it takes. */
  readonly minutes: number;
  /** What it is worth where a board asks for so much in all. Not points of the lesson. */
  readonly worth: number;
  readonly to: TileTarget;
  /** On a free board: where its middle stands, in hundredths of the board's width and height. */
  readonly at?: { readonly x: number; readonly y: number } | undefined;
  /** The row it stands in, from 0, where tiles for others were taken out around it. */
  readonly row?: number | undefined;
  /** Names of the groups of the class that are offered it; everybody where absent. */
  readonly onlyFor?: readonly string[] | undefined;
}

export type TileTarget =
  | { readonly kind: 'part'; readonly partId: string }
  /** Outside; the student says when it is done. */
  | { readonly kind: 'address'; readonly url: string };

export type BoardNeed =
  | { readonly kind: 'any'; readonly count: number }
  | { readonly kind: 'eachRow' }
  /** The first tile, and so many more. */
  | { readonly kind: 'firstAnd'; readonly more: number }
  | { readonly kind: 'worth'; readonly worth: number };

interface NeedingBoard {
  readonly columns: number;
  readonly tiles: readonly Pick<Tile, 'id' | 'worth' | 'row'>[];
  readonly need: BoardNeed;
}

/** How much of what a board asks for is done, and how much it asks for: tiles, rows, or worth. */
export function needDone(
  board: NeedingBoard,
  doneIds: ReadonlySet<string>,
): { readonly done: number; readonly of: number } {
  const { tiles, need } = board;
  const done = tiles.filter(({ id }) => doneIds.has(id));
  switch (need.kind) {
    case 'any':
      return { done: Math.min(done.length, need.count), of: need.count };
    case 'eachRow': {
      const rows = rowsOf(board);
      return { done: rows.filter((row) => row.some(({ id }) => doneIds.has(id))).length, of: rows.length };
    }
    case 'firstAnd': {
      const first = done.some(({ id }) => id === tiles[0]?.id) ? 1 : 0;
      return { done: first + Math.min(done.length - first, need.more), of: 1 + need.more };
    }
    case 'worth':
      return {
        done: Math.min(
          need.worth,
          done.reduce((sum, { worth }) => sum + worth, 0),
        ),
        of: need.worth,
      };
  }
}

export function isNeedMet(board: NeedingBoard, doneIds: ReadonlySet<string>): boolean {
  const { done, of } = needDone(board, doneIds);
  return done >= of;
}

/** Whether what a board asks for can be had of its tiles. */
export function isNeedPossible(board: NeedingBoard): boolean {
  return board.tiles.length > 0 && isNeedMet(board, new Set(board.tiles.map(({ id }) => id)));
}

/** The row a tile of a grid stands in, from 0. */
export const rowOf = ({ row }: Pick<Tile, 'row'>, index: number, columns: number): number =>
  row ?? Math.floor(index / Math.max(1, columns));

/** Rows of the grid, from the top, without those of which nothing is left. */
export function rowsOf<T>({
  columns,
  tiles,
}: {
  readonly columns: number;
  readonly tiles: readonly (T & Pick<Tile, 'row'>)[];
}): readonly (readonly T[])[] {
  const rows = new Map<number, T[]>();
  for (const [index, tile] of tiles.entries()) {
    const row = rowOf(tile, index, columns);
    rows.set(row, [...(rows.get(row) ?? []), tile]);
  }
  return [...rows.entries()].toSorted(([a], [b]) => a - b).map(([, row]) => row);
}

/**
 * What doing as much as a board asks for comes to, where each tile comes to something.
 * @param values one of each tile, 0 or more
 * @returns the least that is enough, all tiles together, and the mean of choosing by chance
 */
export function needRange(
  { columns, tiles, need }: NeedingBoard,
  values: readonly number[],
): { readonly min: number; readonly max: number; readonly mean: number } {
  const max = sum(values);
  const meanOf = (some: readonly number[]) => (some.length === 0 ? 0 : sum(some) / some.length);
  switch (need.kind) {
    case 'any':
      return { min: minOf(values, need.count), max, mean: meanOf(values) * Math.min(need.count, values.length) };
    case 'eachRow': {
      const valued = tiles.map((tile, index) => ({ row: rowOf(tile, index, columns), value: values[index] ?? 0 }));
      const rows = rowsOf({ columns, tiles: valued }).map((row) => row.map(({ value }) => value));
      return { min: sum(rows.map((row) => Math.min(...row))), max, mean: sum(rows.map(meanOf)) };
    }
    case 'firstAnd': {
      const [first = 0, ...rest] = values;
      const more = Math.min(need.more, rest.length);
      return { min: first + minOf(rest, more), max, mean: first + meanOf(rest) * more };
    }
    case 'worth': {
      const worths = tiles.map(({ worth }) => worth);
      const share = Math.min(1, need.worth / Math.max(1, sum(worths)));
      return { min: minOfWorth(values, worths, need.worth), max, mean: max * share };
    }
  }
}

const sum = (values: readonly number[]): number => values.reduce((all, one) => all + one, 0);

const minOf = (values: readonly number[], count: number): number =>
  sum(values.toSorted((a, b) => a - b).slice(0, count));

/** The least that tiles of so much worth in all come to: the knapsack the other way round, by dynamic programming. */
function minOfWorth(values: readonly number[], worths: readonly number[], worth: number): number {
  const least: number[] = new Array(worth + 1).fill(Number.POSITIVE_INFINITY);
  least[0] = 0;
  for (const [index, value] of values.entries())
    for (let have = worth; have >= 0; have--) {
      const reached = Math.min(worth, have + (worths[index] ?? 0));
      least[reached] = Math.min(least[reached] ?? 0, (least[have] ?? 0) + value);
    }
  const found = least[worth] ?? 0;
  return Number.isFinite(found) ? found : sum(values);
}

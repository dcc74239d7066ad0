import type { BoardNeed } from '../lesson/board.ts';
import { isNeedPossible, rowOf } from '../lesson/board.ts';
import type { Target } from '../lesson/lesson.ts';
import type { PathRule, PathTile } from '../path/path-lesson.ts';

interface Grouped {
  readonly parts: readonly GroupedPart[];
  readonly freeFrom?: number | undefined;
}

interface GroupedPart {
  readonly id: string;
  readonly onlyFor?: readonly string[] | undefined;
  readonly next?: Target | undefined;
  readonly rules?: readonly PathRule[] | undefined;
  readonly stops: readonly GroupedStop[];
}

interface GroupedStop {
  readonly id: string;
  readonly kind: string;
  readonly rules?: readonly PathRule[] | undefined;
  readonly choices?: readonly { readonly to: Target; readonly onlyFor?: readonly string[] | undefined }[];
  readonly tiles?: readonly (PathTile & { readonly onlyFor?: readonly string[] | undefined })[];
  readonly columns?: number;
  readonly need?: BoardNeed;
}

/** Whether anything in a lesson is only for some. */
export function isGrouped({ parts }: Grouped): boolean {
  return parts.some(
    ({ onlyFor, stops }) =>
      onlyFor || stops.some(({ choices, tiles }) => [...(choices ?? []), ...(tiles ?? [])].some((one) => one.onlyFor)),
  );
}

/**
 * The lesson as students of some groups are given it: without parts, choices and tiles for others, and without ways
 * that would lead there. A fork of which nothing is left is passed by; a board asks for no more than it has.
 */
export function lessonForGroups<L extends Grouped>(lesson: L, groups: readonly string[]): L {
  const isFor = ({ onlyFor }: { readonly onlyFor?: readonly string[] | undefined }) =>
    !onlyFor || onlyFor.some((group) => groups.includes(group));
  const parts = lesson.parts.filter(isFor);
  const ids = new Set(parts.map(({ id }) => id));
  const gone = new Set(lesson.parts.map(({ id }) => id).filter((id) => !ids.has(id)));
  const leads = (to: Target | PathTile['to']) => to.kind !== 'part' || !gone.has(to.partId);
  const rulesOf = (rules: readonly PathRule[] | undefined) =>
    rules?.filter((rule) => 'hidden' in rule || leads(rule.to));
  const stopFor = (stop: GroupedStop): GroupedStop[] => {
    if (stop.choices) {
      const choices = stop.choices.filter((choice) => isFor(choice) && leads(choice.to));
      return choices.length > 0 ? [{ ...stop, choices }] : [];
    }
    if (stop.tiles && stop.need) {
      // A row stays a row, whoever of it is given.
      const placed = stop.tiles.map((tile, index) => ({ ...tile, row: rowOf(tile, index, stop.columns ?? 1) }));
      const tiles = placed.filter((tile) => isFor(tile) && leads(tile.to));
      const board = { ...stop, columns: stop.columns ?? 1, tiles, need: stop.need };
      if (tiles.length === 0) return [];
      return [isNeedPossible(board) ? board : { ...board, need: { kind: 'any', count: tiles.length } }];
    }
    return [stop.rules ? { ...stop, rules: rulesOf(stop.rules) } : stop];
  };
  const freeFrom =
    lesson.freeFrom === undefined ? undefined : lesson.parts.slice(0, lesson.freeFrom).filter(isFor).length;
  return {
    ...lesson,
    ...(freeFrom === undefined ? {} : { freeFrom }),
    parts: parts.map((part) => ({
      ...part,
      next: part.next && leads(part.next) ? part.next : undefined,
      rules: rulesOf(part.rules),
      stops: part.stops.flatMap(stopFor),
    })),
  };
}

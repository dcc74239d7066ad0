import { type Need, needs } from './attempt-outline.ts';
import { type NeedingSheet, needOfStudent, type SheetStudent } from './sheet-line.ts';
import type { StopMark, StopMarkState } from './stop-mark.ts';

/** By what a sheet is put in order: a figure of its students, or one of its stops by its place among the columns. */
export type SheetOrder =
  | 'need'
  | 'name'
  | 'progress'
  | 'met'
  | 'time'
  | 'points'
  | 'lastSeen'
  | { readonly stop: number };

/** The state of a stop that wants a teacher most stands first. */
const stateOrder: readonly StopMarkState[] = ['open', 'waiting', 'none', 'partial', 'passed', 'full', 'noted', 'ahead'];

/**
 * The students of a sheet in an order. Those who are equal stand by their names; who has not begun stands last by any
 * figure.
 * @param isTurned the other way round, but for the names of equals and for who has not begun
 */
export function sortSheet(
  students: readonly SheetStudent[],
  sheet: NeedingSheet,
  order: SheetOrder,
  isTurned = false,
): SheetStudent[] {
  const byName = (a: SheetStudent, b: SheetStudent) => a.displayName.localeCompare(b.displayName);
  const turn = isTurned ? -1 : 1;
  if (order === 'name') return students.toSorted((a, b) => turn * byName(a, b));
  if (order === 'need') {
    const rank = (student: SheetStudent) => needs.indexOf(needOfStudent(student, sheet));
    const stuckMs = ({ row }: SheetStudent) => row?.atOpenStopMs ?? 0;
    return students.toSorted((a, b) => turn * (rank(a) - rank(b) || stuckMs(b) - stuckMs(a)) || byName(a, b));
  }
  const figure = (student: SheetStudent): number | null => figureOf(student, order);
  return students.toSorted((a, b) => {
    const [first, second] = [figure(a), figure(b)];
    if (first === null || second === null) return Number(first === null) - Number(second === null) || byName(a, b);
    return turn * (first - second) || byName(a, b);
  });
}

/** What is less stands first: the stuck, the least met, the fewest points, and who was seen longest ago. */
function figureOf({ row, result }: SheetStudent, order: Exclude<SheetOrder, 'need' | 'name'>): number | null {
  if (!row) return null;
  if (typeof order === 'object') return markRank(row.marks[order.stop]);
  const figures = {
    ...{ progress: row.progress, met: row.metShare, time: row.timeSpentMs, lastSeen: row.lastSeenAt },
    points: (result?.earned ?? row.earned) / Math.max(1, row.possible),
  };
  return figures[order];
}

function markRank(mark: StopMark | undefined): number {
  if (!mark) return stateOrder.length;
  const share = mark.possible > 0 ? mark.earned / mark.possible : 0;
  return stateOrder.indexOf(mark.state) + (mark.state === 'partial' ? share : 0);
}

/** How many students need what, in the order of the needs; needs of nobody are left out. */
export function countNeeds(
  students: readonly SheetStudent[],
  sheet: NeedingSheet,
): readonly { readonly need: Need; readonly count: number }[] {
  const counts = new Map<Need, number>();
  for (const student of students) {
    const need = needOfStudent(student, sheet);
    counts.set(need, (counts.get(need) ?? 0) + 1);
  }
  return needs.flatMap((need) => {
    const count = counts.get(need);
    return count === undefined ? [] : [{ need, count }];
  });
}

import type { Hundredths } from '../elements/points.ts';
import { isLate } from '../sheet/attempt-outline.ts';
import { type NeedingSheet, needOfStudent, type SheetStudent } from '../sheet/sheet-line.ts';
import type { StopMark } from '../sheet/stop-mark.ts';

/** What one student did about one thing that was given to them. */
export interface AccountEntry {
  readonly assignmentId: string;
  /** When it was given, epoch ms. */
  readonly givenAt: number;
  /** May be done, and need not. */
  readonly isExtra: boolean;
  readonly student: SheetStudent;
}

/** What all of it comes to. Extras, and what somebody is excused from, are owed by nobody. */
export interface Account {
  /** What was to be done, without extras and excuses. */
  readonly given: number;
  readonly handedIn: number;
  /** Of what was handed in. */
  readonly late: number;
  /** Past its date, and not handed in. */
  readonly overdue: number;
  readonly excused: number;
  /** Extras that were handed in. */
  readonly extras: number;
  /** Answers in it that wait to be marked: they are in no figure of points. */
  readonly waiting: number;
  /** Of everything that was handed in, carries points and is marked. */
  readonly earned: Hundredths;
  readonly possible: Hundredths;
  /** Mean share of the material that was met, in what was begun, 0 to 1; null where nothing was. */
  readonly metShare: number | null;
  readonly timeSpentMs: number;
  /** Share of the points of each that was handed in and carries some, by when it was given. */
  readonly trend: readonly { readonly assignmentId: string; readonly share: number }[];
}

/** @param now epoch ms */
export function accountOf(entries: readonly AccountEntry[], now: number): Account {
  const needOf = ({ isExtra, student }: AccountEntry) => needOfStudent(student, sheetOf(now, isExtra));
  const isIn = ({ student }: AccountEntry) => student.row?.handedInAt != null;
  const owed = entries.filter(({ isExtra, student }) => !isExtra && !student.excused);
  const handedIn = entries.filter(isIn);
  const begun = entries.flatMap(({ student }) => student.row ?? []);
  const points = handedIn
    .toSorted((a, b) => a.givenAt - b.givenAt)
    .flatMap(({ assignmentId, student }) => {
      const { earned, possible } = markedPoints(student);
      return possible > 0 ? [{ assignmentId, earned, possible }] : [];
    });
  return {
    given: owed.length,
    handedIn: owed.filter(isIn).length,
    late: owed.filter((entry) => isIn(entry) && isLate(entry.student.row, entry.student.dueAt)).length,
    overdue: owed.filter((entry) => !isIn(entry) && isPast(entry, now) && needOf(entry) !== 'left').length,
    excused: entries.filter(({ student }) => student.excused).length,
    extras: handedIn.filter(({ isExtra }) => isExtra).length,
    waiting: handedIn.reduce((sum, { student }) => sum + (student.row?.marks.filter(isWaiting).length ?? 0), 0),
    earned: points.reduce((sum, { earned }) => sum + earned, 0),
    possible: points.reduce((sum, { possible }) => sum + possible, 0),
    metShare: begun.length === 0 ? null : begun.reduce((sum, row) => sum + row.metShare, 0) / begun.length,
    timeSpentMs: begun.reduce((sum, row) => sum + row.timeSpentMs, 0),
    trend: points.map(({ assignmentId, earned, possible }) => ({ assignmentId, share: earned / possible })),
  };
}

const isWaiting = ({ state }: StopMark): boolean => state === 'waiting';

/** Points of what is marked: what a stop that waits for a mark may come to is left out on both sides. */
export function markedPoints({ row, result }: Pick<SheetStudent, 'row' | 'result'>): {
  readonly earned: Hundredths;
  readonly possible: Hundredths;
} {
  if (!row) return { earned: 0, possible: 0 };
  const waits = row.marks.filter((mark) => isWaiting(mark) && !mark.practice);
  const marked = row.earned - waits.reduce((sum, { earned }) => sum + earned, 0);
  // What was taken off for being late, or the mean of several attempts, holds for what is marked in the same measure.
  const measure = result && row.earned > 0 ? result.earned / row.earned : 1;
  return {
    earned: Math.round(marked * measure),
    possible: row.possible - waits.reduce((sum, { possible }) => sum + possible, 0),
  };
}

const sheetOf = (now: number, isExtra: boolean): NeedingSheet => ({ now, terms: isExtra ? { isExtra } : {} });
const isPast = ({ student: { dueAt } }: AccountEntry, now: number): boolean => dueAt !== null && dueAt < now;

import {
  type Adjustment,
  countedResult,
  type EffectiveTerms,
  effectiveTerms,
  type NumberedAttempt,
  type Receipt,
  type Result,
} from '@semita/core/assignment';
import { reducerVersion, type Terms } from '@semita/core/attempt';
import { groupBy } from '@semita/core/elements';
import {
  type AttemptOutline,
  alignSheetRow,
  decodeSheetRow,
  encodeSheetRow,
  outlineOf,
  rowsReadableSince,
  type SheetLine,
  type SheetRow,
  sheetStops,
} from '@semita/core/sheet';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { addressees, attempts, recipients, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { AssignedLessons } from './assigned-lessons.ts';
import type { RecipientRepository } from './recipient-repository.ts';

/** One attempt, as lists know it. */
export interface ListedAttempt {
  readonly attemptId: string;
  readonly assignmentId: string;
  readonly studentId: string;
  readonly number: number;
  readonly editionId: string;
  readonly outline: AttemptOutline;
}

/** What lists say of one student and one assignment. */
export interface StoredOutline {
  readonly assignmentId: string;
  readonly studentId: string;
  readonly terms: EffectiveTerms;
  /** In the order of their numbers. */
  readonly attempts: readonly ListedAttempt[];
  /** The one that counts; null for who has not begun. */
  readonly counted: ListedAttempt | null;
  /** What it comes to: less for being late, or the mean of several; null for who has not begun. */
  readonly result: Pick<Result<NumberedAttempt>, 'earned' | 'latePercent'> | null;
}

/** The same with the line of the sheet. */
export interface StoredLine extends StoredOutline {
  readonly line: SheetLine;
}

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly lessons: Pick<AssignedLessons, 'givenOf' | 'getLesson' | 'preloadGiven'>;
  readonly recipients: Pick<RecipientRepository, 'adjustmentsOf' | 'adjustmentsFor'>;
  /** Computes a line anew that an older program stored, and stores it. */
  readonly toFreshRow: (attemptId: string) => string;
}

export type SheetRepository = ReturnType<typeof createSheetRepository>;

/** Reads the lines of a sheet, one per student, without touching the full states. */
export function createSheetRepository({ db, clock, lessons, recipients: records, toFreshRow }: Options) {
  const outline = {
    ...{ progress: attempts.progress, earned: attempts.earned, possible: attempts.possible },
    ...{ handedInAt: attempts.handedInAt, toMark: attempts.toMark, waitingSteps: attempts.waitingSteps },
    ...{ returned: attempts.returned, stuckFrom: attempts.stuckFrom },
  };
  const ofRecipient = and(
    eq(attempts.assignmentId, recipients.assignmentId),
    eq(attempts.studentId, recipients.studentId),
  );
  const columns = {
    ...{ assignmentId: recipients.assignmentId, studentId: recipients.studentId, addresseeId: recipients.addresseeId },
    ...{ since: recipients.since, until: recipients.until, attemptId: attempts.id, number: attempts.number },
    ...{ editionId: attempts.editionId, reducer: attempts.reducer, outline },
  };

  const selectLines = () =>
    db
      .select({
        ...columns,
        classId: addressees.classId,
        displayName: users.displayName,
        sheetRow: attempts.sheetRow,
      })
      .from(recipients)
      .innerJoin(addressees, eq(addressees.id, recipients.addresseeId))
      .innerJoin(users, eq(users.id, recipients.studentId))
      .leftJoin(attempts, ofRecipient);
  const inAssignment = eq(recipients.assignmentId, sql.placeholder('assignmentId'));
  const allLines = selectLines()
    .where(inAssignment)
    .orderBy(asc(users.displayName), asc(recipients.since), asc(attempts.number))
    .prepare();
  const oneLine = selectLines()
    .where(and(inAssignment, eq(recipients.studentId, sql.placeholder('studentId'))))
    .orderBy(asc(recipients.since), asc(attempts.number))
    .prepare();

  const linesOf = selectLines()
    .where(eq(recipients.studentId, sql.placeholder('studentId')))
    .orderBy(asc(recipients.since), asc(attempts.number))
    .prepare();

  const rowsOfSome = db
    .select({ id: attempts.id, reducer: attempts.reducer, sheetRow: attempts.sheetRow })
    .from(attempts)
    .where(inArray(attempts.id, sql`(select value from json_each(${sql.placeholder('attemptIds')}))`))
    .prepare();

  // Rows that an older program wrote have no outline yet.
  const oldRow = sql<string | null>`case when ${attempts.toMark} is null then ${attempts.sheetRow} end`;
  const outlines = db
    .select({ ...columns, classId: addressees.classId, sheetRow: oldRow })
    .from(recipients)
    .innerJoin(addressees, eq(addressees.id, recipients.addresseeId))
    .leftJoin(attempts, ofRecipient)
    .where(inArray(recipients.assignmentId, sql`(select value from json_each(${sql.placeholder('assignmentIds')}))`))
    .orderBy(asc(recipients.since), asc(attempts.number))
    .prepare();
  const ownOutlines = db
    .select({ ...columns, sheetRow: oldRow })
    .from(recipients)
    .leftJoin(attempts, ofRecipient)
    .where(eq(recipients.studentId, sql.placeholder('studentId')))
    .orderBy(asc(recipients.since), asc(attempts.number))
    .prepare();

  type Found = Omit<ReturnType<typeof allLines.all>[0], 'displayName' | 'classId'> & {
    sheetRow: string | null;
  };

  const toOutline = ({
    attemptId,
    reducer,
    sheetRow,
    outline: found,
  }: Found & { attemptId: string }): AttemptOutline => {
    // A list of twenty thousand waits for none of them to be computed anew: that goes on behind it.
    if (found?.toMark == null)
      return outlineOf(
        decodeSheetRow(sheetRow !== null && (reducer ?? 0) >= rowsReadableSince ? sheetRow : toFreshRow(attemptId)),
      );
    const { handedInAt, stuckFrom, toMark } = found;
    return {
      ...{ progress: found.progress ?? 0, earned: found.earned ?? 0, possible: found.possible ?? 0 },
      ...{ toMark, waitingSteps: found.waitingSteps ?? 0, returned: found.returned ?? 0 },
      ...{ handedInAt, stuckFrom },
    };
  };

  /** As it mostly is, there is one attempt and nothing to take off it; lists ask for thousands of these. */
  const resultOf = (
    listed: readonly ListedAttempt[],
    terms: Terms,
    dueAt: number | null,
  ): Pick<StoredOutline, 'counted' | 'result'> => {
    const [only] = listed;
    if (!only) return { counted: null, result: null };
    if (listed.length === 1 && !terms.late)
      return { counted: only, result: { earned: only.outline.earned, latePercent: 0 } };
    const result = countedResult(
      listed.map((attempt) => ({ number: attempt.number, listed: attempt, ...attempt.outline })),
      terms,
      dueAt,
    );
    return { counted: result?.attempt.listed ?? null, result: result ?? null };
  };

  /** What the rows of one student and one assignment say: one for each way it reached them, times each attempt. */
  const toStored = (rows: readonly Found[], adjustments: readonly Adjustment[]): StoredOutline => {
    const [{ assignmentId, studentId }] = rows as [Found];
    const receipts = new Map<string, Receipt>();
    const begun = new Map<string, ListedAttempt>();
    for (const row of rows) {
      const { addresseeId, since, until, attemptId, number, editionId } = row;
      receipts.set(`${addresseeId} ${since}`, { addresseeId, since, until });
      if (attemptId === null || number === null || editionId === null || begun.has(attemptId)) continue;
      const key = { attemptId, assignmentId, studentId, number, editionId };
      begun.set(attemptId, { ...key, outline: toOutline({ ...row, attemptId }) });
    }
    const given = lessons.givenOf(assignmentId);
    const listed = [...begun.values()];
    const terms = effectiveTerms(given, { receipts: [...receipts.values()], adjustments }, clock());
    const { counted, result } = resultOf(listed, given.terms, terms.window.dueAt);
    return { assignmentId, studentId, attempts: listed, terms, counted, result };
  };

  /** By the assignment and the student; of those whom somebody follows through some classes, all rows there are. */
  const groupByStudent = <Row extends Found & { readonly classId: string }>(
    rows: readonly Row[],
    classIds: ReadonlySet<string>,
  ): (readonly Row[])[] => {
    const byStudent = groupBy(rows, ({ assignmentId, studentId }) => `${assignmentId} ${studentId}`);
    return [...byStudent.values()].filter((own) => own.some(({ classId }) => classIds.has(classId)));
  };

  const toLine = (
    rows: readonly ReturnType<typeof allLines.all>[0][],
    adjustments: readonly Adjustment[],
    isUnderColumns = true,
  ): StoredLine => {
    const stored = toStored(rows, adjustments);
    const { assignmentId, studentId, terms, counted, result, attempts: begun } = stored;
    const found = counted && rows.find(({ attemptId }) => attemptId === counted.attemptId);
    const row = !found ? null : found.reducer === reducerVersion ? found.sheetRow : toFreshRow(counted.attemptId);
    const given = lessons.givenOf(assignmentId);
    const { editionId } = given;
    const isOther = isUnderColumns && counted !== null && counted.editionId !== editionId;
    const line: SheetLine = {
      ...{ studentId, displayName: rows[0]?.displayName ?? '', excused: terms.excused, dueAt: terms.window.dueAt },
      row: row !== null && isOther ? underColumns(row, assignmentId, counted.editionId) : row,
      ...(terms.leftAt === null ? {} : { leftAt: terms.leftAt }),
      ...(cameTooLate(stored) ? { cameTooLate: true as const } : {}),
      ...(given.addressees.get(terms.addresseeId)?.kind === 'guests' ? { isGuest: true as const } : {}),
      ...(begun.length > 1 && counted ? { attempt: { number: counted.number, count: begun.length } } : {}),
      ...(counted && result && result.earned !== counted.outline.earned
        ? { result: { earned: result.earned, latePercent: result.latePercent } }
        : {}),
    };
    return { ...stored, line };
  };

  /** The row of an attempt at another edition, its marks under the columns of the one that all others have. */
  const underColumns = (row: string, assignmentId: string, editionId: string): string => {
    const stopIds = (ofEdition?: string) =>
      sheetStops(lessons.getLesson(assignmentId, ofEdition).lesson).map(({ id }) => id);
    return encodeSheetRow(alignSheetRow(decodeSheetRow(row), stopIds(editionId), stopIds()));
  };

  return {
    /** Students of an assignment whom it reached through some classes, by their names. */
    list(assignmentId: string, classIds: ReadonlySet<string>): StoredLine[] {
      const adjustmentsOf = records.adjustmentsOf([assignmentId]);
      return groupByStudent(allLines.all({ assignmentId }), classIds).map((rows) =>
        toLine(rows, adjustmentsOf(assignmentId, rows[0]?.studentId ?? '')),
      );
    },

    /** One of them. */
    find(assignmentId: string, classIds: ReadonlySet<string>, studentId: string): StoredLine | undefined {
      const [rows] = groupByStudent(oneLine.all({ assignmentId, studentId }), classIds);
      return rows && toLine(rows, records.adjustmentsOf([assignmentId])(assignmentId, studentId));
    },

    /** One student's lines of all that reached them through a class, by the assignment; marks in the order of their own editions. */
    listLinesOf(studentId: string, classId: string): ReadonlyMap<string, StoredLine> {
      const classIds = new Set([classId]);
      const all = groupByStudent(linesOf.all({ studentId }), classIds);
      lessons.preloadGiven(all.map(([row]) => row?.assignmentId ?? ''));
      const own = records.adjustmentsFor(studentId);
      return new Map(
        all.map((rows) => {
          const id = rows[0]?.assignmentId ?? '';
          return [id, toLine(rows, own.get(id) ?? [], false)];
        }),
      );
    },

    /** Rows of some attempts, each under the stops of its own edition. */
    rowsOf(attemptIds: readonly string[]): ReadonlyMap<string, SheetRow> {
      const rows = attemptIds.length === 0 ? [] : rowsOfSome.all({ attemptIds: JSON.stringify(attemptIds) });
      return new Map(
        rows.map(({ id, reducer, sheetRow }) => [
          id,
          decodeSheetRow(sheetRow !== null && reducer === reducerVersion ? sheetRow : toFreshRow(id)),
        ]),
      );
    },

    /** Outlines of all students whom some assignments reached through some classes. */
    listOutlines(assignmentIds: readonly string[], classIds: ReadonlySet<string>): StoredOutline[] {
      lessons.preloadGiven(assignmentIds);
      const adjustmentsOf = records.adjustmentsOf(assignmentIds);
      const rows = outlines.all({ assignmentIds: JSON.stringify(assignmentIds) });
      return groupByStudent(rows, classIds).map((own) =>
        toStored(own, adjustmentsOf(own[0]?.assignmentId ?? '', own[0]?.studentId ?? '')),
      );
    },

    /** One student's own outlines of all that was given to them, by the assignment. */
    listOutlinesOf(studentId: string): ReadonlyMap<string, StoredOutline> {
      const rows = ownOutlines.all({ studentId });
      const byAssignment = groupBy(rows, ({ assignmentId }) => assignmentId);
      lessons.preloadGiven([...byAssignment.keys()]);
      const own = records.adjustmentsFor(studentId);
      return new Map(
        [...byAssignment].map(([assignmentId, found]) => [assignmentId, toStored(found, own.get(assignmentId) ?? [])]),
      );
    },
  };
}

/** Whoever joins a class after a date cannot meet it; a teacher gives them one that they can. */
export const cameTooLate = ({
  terms: { since, window, leftAt, excused },
  attempts: begun,
}: Pick<StoredOutline, 'terms' | 'attempts'>): boolean =>
  window.dueAt !== null && since > window.dueAt && leftAt === null && !excused && begun.length === 0;

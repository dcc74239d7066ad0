import { reducerVersion } from '@semita/core/attempt';
import { type AttemptOutline, decodeSheetRow, outlineOf, rowsReadableSince, type SheetLine } from '@semita/core/sheet';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { assignments, attempts, classStudents, excusals, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

/** What lists say of one student and one assignment. */
export interface StoredOutline {
  readonly assignmentId: string;
  readonly studentId: string;
  readonly excused: boolean;
  readonly attemptId: string | null;
  /** Null for who has not begun. */
  readonly outline: AttemptOutline | null;
}

interface Options extends Pick<Deps, 'db'> {
  /** Computes a line anew that an older program stored, and stores it. */
  readonly toFreshRow: (attemptId: string) => string;
}

export type SheetRepository = ReturnType<typeof createSheetRepository>;

/** Reads the lines of a sheet, one per student of the class, without touching the full states. */
export function createSheetRepository({ db, toFreshRow }: Options) {
  const isExcused = sql`${excusals.studentId} is not null`.mapWith(Boolean).as('excused');
  const ofStudent = and(eq(attempts.assignmentId, assignments.id), eq(attempts.studentId, classStudents.studentId));
  const excusalOf = and(eq(excusals.assignmentId, assignments.id), eq(excusals.studentId, classStudents.studentId));

  const outline = {
    ...{ progress: attempts.progress, earned: attempts.earned, possible: attempts.possible },
    ...{ handedInAt: attempts.handedInAt, toMark: attempts.toMark, waitingSteps: attempts.waitingSteps },
    ...{ returned: attempts.returned, stuckFrom: attempts.stuckFrom },
  };

  const selectRows = () =>
    db
      .select({
        ...{ studentId: users.id, displayName: users.displayName, excused: isExcused },
        ...{ sheetRow: attempts.sheetRow, attemptId: attempts.id, reducer: attempts.reducer, outline },
      })
      .from(assignments)
      .innerJoin(classStudents, eq(classStudents.classId, assignments.classId))
      .innerJoin(users, eq(users.id, classStudents.studentId))
      .leftJoin(attempts, ofStudent)
      .leftJoin(excusals, excusalOf);

  const all = selectRows()
    .where(eq(assignments.id, sql.placeholder('assignmentId')))
    .orderBy(asc(users.displayName))
    .prepare();
  const one = selectRows()
    .where(and(eq(assignments.id, sql.placeholder('assignmentId')), eq(users.id, sql.placeholder('studentId'))))
    .prepare();

  type FoundRow = ReturnType<typeof all.all>[0];
  const toLine = ({ studentId, displayName, excused, attemptId, reducer, sheetRow }: FoundRow): SheetLine => ({
    ...{ studentId, displayName, excused },
    row: attemptId === null || reducer === reducerVersion ? sheetRow : toFreshRow(attemptId),
  });

  const selectOutlines = () =>
    db
      .select({
        ...{ assignmentId: assignments.id, studentId: classStudents.studentId, excused: isExcused },
        ...{ attemptId: attempts.id, reducer: attempts.reducer, outline },
        // Rows that an older program wrote have no outline yet.
        sheetRow: sql<string | null>`case when ${attempts.toMark} is null then ${attempts.sheetRow} end`,
      })
      .from(assignments)
      .innerJoin(classStudents, eq(classStudents.classId, assignments.classId))
      .leftJoin(attempts, ofStudent)
      .leftJoin(excusals, excusalOf);
  const ownOutlines = selectOutlines()
    .where(eq(classStudents.studentId, sql.placeholder('studentId')))
    .prepare();
  type FoundOutline = ReturnType<ReturnType<typeof selectOutlines>['all']>[0];

  type Found = Pick<FoundOutline, 'attemptId' | 'reducer' | 'sheetRow' | 'outline'>;
  const toOutline = ({ attemptId, reducer, sheetRow, outline: found }: Found): AttemptOutline | null => {
    if (attemptId === null) return null;
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
  const toStoredOutline = (found: FoundOutline): StoredOutline => {
    const { assignmentId, studentId, excused, attemptId } = found;
    return { assignmentId, studentId, excused, attemptId, outline: toOutline(found) };
  };

  return {
    list: (assignmentId: string): SheetLine[] => all.all({ assignmentId }).map(toLine),

    /** The same, each with its outline. */
    listWhole: (assignmentId: string) =>
      all.all({ assignmentId }).map((row) => ({ line: toLine(row), excused: row.excused, outline: toOutline(row) })),

    find(assignmentId: string, studentId: string): SheetLine | undefined {
      const row = one.get({ assignmentId, studentId });
      return row && toLine(row);
    },

    /** Outlines of all students of the classes to which some assignments were given. */
    listOutlines: (assignmentIds: readonly string[]): StoredOutline[] =>
      selectOutlines()
        .where(inArray(assignments.id, [...assignmentIds]))
        .all()
        .map(toStoredOutline),

    /** One student's own outlines of all that was given to them, by the assignment. */
    listOutlinesOf: (studentId: string): ReadonlyMap<string, StoredOutline> =>
      new Map(ownOutlines.all({ studentId }).map((row) => [row.assignmentId, toStoredOutline(row)])),
  };
}

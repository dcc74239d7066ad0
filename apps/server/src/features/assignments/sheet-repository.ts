import { reducerVersion } from '@semita/core';
import { and, asc, eq, sql } from 'drizzle-orm';
import { assignments, attempts, classStudents, excusals, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

/** A student's line as it is stored. */
export interface StoredSheetRow {
  readonly studentId: string;
  readonly displayName: string;
  readonly excused: number;
  readonly sheetRow: string | null;
}

interface FoundRow extends StoredSheetRow {
  readonly attemptId: string | null;
  readonly reducer: number | null;
}

interface Options extends Pick<Deps, 'db'> {
  /** Computes a line anew that an older program stored, and stores it. */
  readonly toFreshRow: (attemptId: string) => string;
}

export type SheetRepository = ReturnType<typeof createSheetRepository>;

/** Reads the lines of a sheet, one per student of the class, without touching the full states. */
export function createSheetRepository({ db, toFreshRow }: Options) {
  const select = () =>
    db
      .select({
        studentId: users.id,
        displayName: users.displayName,
        excused: sql<number>`${excusals.studentId} is not null`.as('excused'),
        sheetRow: attempts.sheetRow,
        attemptId: attempts.id,
        reducer: attempts.reducer,
      })
      .from(assignments)
      .innerJoin(classStudents, eq(classStudents.classId, assignments.classId))
      .innerJoin(users, eq(users.id, classStudents.studentId))
      .leftJoin(attempts, and(eq(attempts.assignmentId, assignments.id), eq(attempts.studentId, users.id)))
      .leftJoin(excusals, and(eq(excusals.assignmentId, assignments.id), eq(excusals.studentId, users.id)));

  const all = select()
    .where(eq(assignments.id, sql.placeholder('assignmentId')))
    .orderBy(asc(users.displayName))
    .prepare();
  const one = select()
    .where(and(eq(assignments.id, sql.placeholder('assignmentId')), eq(users.id, sql.placeholder('studentId'))))
    .prepare();

  const toStored = ({ attemptId, reducer, ...row }: FoundRow): StoredSheetRow =>
    attemptId !== null && reducer !== reducerVersion ? { ...row, sheetRow: toFreshRow(attemptId) } : row;

  return {
    list: (assignmentId: string): StoredSheetRow[] => all.all({ assignmentId }).map(toStored),

    find(assignmentId: string, studentId: string): StoredSheetRow | undefined {
      const row = one.get({ assignmentId, studentId });
      return row && toStored(row);
    },
  };
}

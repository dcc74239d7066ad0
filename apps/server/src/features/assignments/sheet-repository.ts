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

export type SheetRepository = ReturnType<typeof createSheetRepository>;

/** Reads the lines of a sheet, one per student of the class, without touching the full states. */
export function createSheetRepository({ db }: Pick<Deps, 'db'>) {
  const select = () =>
    db
      .select({
        studentId: users.id,
        displayName: users.displayName,
        excused: sql<number>`${excusals.studentId} is not null`.as('excused'),
        sheetRow: attempts.sheetRow,
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

  return {
    list: (assignmentId: string): StoredSheetRow[] => all.all({ assignmentId }),
    find: (assignmentId: string, studentId: string): StoredSheetRow | undefined => one.get({ assignmentId, studentId }),
  };
}

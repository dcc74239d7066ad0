import type { AssignmentWindow } from '@semita/core/assignment';
import { and, desc, eq, inArray, type SQL, sql } from 'drizzle-orm';
import { addressees, addresseeWindows, assignments, attempts, classTeachers } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { GivenTo } from './recipient-repository.ts';

export type AssignmentRow = typeof assignments.$inferSelect;
export type AssignmentRepository = ReturnType<typeof createAssignmentRepository>;

/** Assignments, to whom they were given and when they are open. */
export function createAssignmentRepository({ db, newId }: Pick<Deps, 'db' | 'newId'>) {
  const anyAttempt = db
    .select({ one: attempts.id })
    .from(attempts)
    .where(eq(attempts.assignmentId, sql.placeholder('assignmentId')))
    .limit(1)
    .prepare();

  const byId = db
    .select()
    .from(assignments)
    .where(eq(assignments.id, sql.placeholder('assignmentId')))
    .prepare();

  const selectGivenTo = (place: SQL | undefined) =>
    db
      .select()
      .from(assignments)
      .where(inArray(assignments.id, db.select({ id: addressees.assignmentId }).from(addressees).where(place)))
      .orderBy(desc(assignments.createdAt))
      .all();

  return {
    insert: (row: AssignmentRow): void => {
      db.insert(assignments).values(row).run();
    },

    /** @returns the id of the addressee */
    addAddressee(assignmentId: string, { kind, classId, groupId, studentId }: GivenTo, at: number): string {
      const id = newId();
      db.insert(addressees).values({ id, assignmentId, kind, classId, groupId, studentId, createdAt: at }).run();
      return id;
    },

    /** @param at from when it holds, epoch ms: what came in before is judged by the window of before */
    setWindow(addresseeId: string, { opensAt, dueAt, closesAt }: AssignmentWindow, at: number): void {
      db.insert(addresseeWindows).values({ addresseeId, at, opensAt, dueAt, closesAt }).run();
    },

    find: (assignmentId: string): AssignmentRow | undefined => byId.get({ assignmentId }),

    /** What was given in the classes of a teacher, the newest first. */
    listTaught: (teacherId: string): AssignmentRow[] =>
      selectGivenTo(
        inArray(
          addressees.classId,
          db.select({ id: classTeachers.classId }).from(classTeachers).where(eq(classTeachers.teacherId, teacherId)),
        ),
      ),

    listInClass: (classId: string): AssignmentRow[] => selectGivenTo(and(eq(addressees.classId, classId))),

    hasAttempts: (assignmentId: string): boolean => anyAttempt.get({ assignmentId }) !== undefined,
  };
}

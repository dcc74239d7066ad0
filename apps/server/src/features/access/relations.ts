import { and, eq, sql } from 'drizzle-orm';
import { addressees, classTeachers, recipients } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type Relations = ReturnType<typeof createRelations>;

/** How people stand to things, asked of the tables that say so. */
export function createRelations({ db }: Pick<Deps, 'db'>) {
  const following = db
    .select({ one: recipients.studentId })
    .from(recipients)
    .innerJoin(addressees, eq(addressees.id, recipients.addresseeId))
    .innerJoin(classTeachers, eq(classTeachers.classId, addressees.classId))
    .where(
      and(
        eq(recipients.assignmentId, sql.placeholder('assignmentId')),
        eq(recipients.studentId, sql.placeholder('studentId')),
        eq(classTeachers.teacherId, sql.placeholder('teacherId')),
      ),
    )
    .limit(1)
    .prepare();

  return {
    /** Whether a teacher follows a student in an assignment: they teach the class through which it reached them. */
    follows: (teacherId: string, assignmentId: string, studentId: string): boolean =>
      following.get({ teacherId, assignmentId, studentId }) !== undefined,
  };
}

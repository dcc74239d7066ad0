import type { EffectiveTerms } from '@semita/core/assignment';
import { and, eq, inArray, type SQL } from 'drizzle-orm';
import { assignments, editions, recipients, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { AssignedLessons } from './assigned-lessons.ts';
import type { AssignmentRow } from './assignment-repository.ts';
import type { RecipientRepository } from './recipient-repository.ts';

export type ReceivedAssignments = ReturnType<typeof createReceivedAssignments>;

/** An assignment as one student has it. */
export interface Received {
  readonly assignment: AssignmentRow;
  readonly lessonId: string;
  readonly classId: string;
  readonly className: string;
  readonly teacherName: string;
  /** What holds for them now. */
  readonly terms: EffectiveTerms;
}

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly lessons: Pick<AssignedLessons, 'givenOf' | 'preloadGiven' | 'termsOf'>;
  readonly recipients: Pick<RecipientRepository, 'find' | 'listOf'>;
}

/** What was given to a student, also what no longer is. */
export function createReceivedAssignments({ db, clock, lessons, recipients: records }: Options) {
  const select = (place: SQL | undefined) =>
    db
      .select({ assignment: assignments, teacherName: users.displayName, lessonId: editions.lessonId })
      .from(assignments)
      .innerJoin(editions, eq(editions.id, assignments.editionId))
      .innerJoin(users, eq(users.id, assignments.createdBy))
      .where(place)
      .all();

  const inClass = (assignmentId: string, { addresseeId }: EffectiveTerms) => {
    const { classId = '', className = '' } = lessons.givenOf(assignmentId).addressees.get(addresseeId) ?? {};
    return { classId, className };
  };

  return {
    /** All of it, what is due first first. */
    list(studentId: string): Received[] {
      const own = db
        .select({ id: recipients.assignmentId })
        .from(recipients)
        .where(eq(recipients.studentId, studentId));
      const rows = select(inArray(assignments.id, own));
      lessons.preloadGiven(rows.map(({ assignment }) => assignment.id));
      const byAssignment = records.listOf(studentId);
      return rows
        .flatMap((row): Received[] => {
          const record = byAssignment.get(row.assignment.id);
          if (!record) return [];
          const terms = lessons.termsOf(row.assignment.id, record, clock());
          return [{ ...row, ...inClass(row.assignment.id, terms), terms }];
        })
        .toSorted((a, b) => (a.terms.window.dueAt ?? Infinity) - (b.terms.window.dueAt ?? Infinity) || 0);
    },

    find(studentId: string, assignmentId: string): Received | undefined {
      const record = records.find(assignmentId, studentId);
      const [row] = record ? select(and(eq(assignments.id, assignmentId))) : [];
      if (!record || !row) return undefined;
      const terms = lessons.termsOf(assignmentId, record, clock());
      return { ...row, ...inClass(assignmentId, terms), terms };
    },
  };
}

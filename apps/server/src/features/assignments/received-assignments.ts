import { type EffectiveTerms, effectiveTerms, type Receipt } from '@semita/core/assignment';
import { groupBy } from '@semita/core/elements';
import { and, asc, eq, isNull, type SQL, sql } from 'drizzle-orm';
import { assignments, editions, recipients, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { AssignedLessons } from './assigned-lessons.ts';
import type { AssignmentRow } from './assignment-repository.ts';
import type { RecipientRepository } from './recipient-repository.ts';

export type ReceivedAssignments = ReturnType<typeof createReceivedAssignments>;

/** An assignment as one student has it. */
export interface Received {
  readonly assignment: Pick<AssignmentRow, 'id' | 'editionId' | 'timeZone' | 'createdAt' | 'note'>;
  readonly lessonId: string;
  readonly classId: string;
  readonly className: string;
  readonly teacherName: string;
  /** What holds for them now. */
  readonly terms: EffectiveTerms;
  /** Its class was put away. */
  readonly isPutAway: boolean;
  /** It is not open yet, and nobody is to see it before. */
  readonly isHidden: boolean;
}

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly lessons: Pick<AssignedLessons, 'givenOf' | 'preloadGiven' | 'termsOf'>;
  readonly recipients: Pick<RecipientRepository, 'find' | 'adjustmentsFor'>;
}

/** What was given to a student, also what no longer is; lists are without what was taken back. */
export function createReceivedAssignments({ db, clock, lessons, recipients: records }: Options) {
  const receipt = { addresseeId: recipients.addresseeId, since: recipients.since, until: recipients.until };
  // Without its terms, which stand in memory: reading them is most of the work of a row.
  const assignment = {
    ...{ id: assignments.id, editionId: assignments.editionId },
    ...{ timeZone: assignments.timeZone, createdAt: assignments.createdAt, note: assignments.note },
  };
  const select = (place: SQL | undefined) =>
    db
      .select({ assignment, teacherName: users.displayName, lessonId: editions.lessonId, receipt })
      .from(recipients)
      .innerJoin(assignments, eq(assignments.id, recipients.assignmentId))
      .innerJoin(editions, eq(editions.id, assignments.editionId))
      .innerJoin(users, eq(users.id, assignments.createdBy))
      .where(and(eq(recipients.studentId, sql.placeholder('studentId')), place))
      .orderBy(asc(recipients.since))
      .prepare();
  const all = select(isNull(assignments.takenBackAt));
  const withTakenBack = select(undefined);
  const one = select(eq(recipients.assignmentId, sql.placeholder('assignmentId')));

  type Found = ReturnType<typeof all.all>[0] & { readonly receipt: Receipt };
  const toReceived = ({ assignment, teacherName, lessonId }: Found, terms: EffectiveTerms): Received => {
    const {
      classId = '',
      className = '',
      isPutAway = false,
    } = lessons.givenOf(assignment.id).addressees.get(terms.addresseeId) ?? {};
    const { hiddenUntilOpen } = lessons.givenOf(assignment.id).terms;
    const isHidden = hiddenUntilOpen === true && terms.window.opensAt !== null && clock() < terms.window.opensAt;
    return { assignment, teacherName, lessonId, classId, className, terms, isHidden, isPutAway };
  };

  const listed = (
    studentId: string,
    rows: readonly Found[],
    known?: ReadonlyMap<string, Pick<Received, 'terms'>>,
  ): Received[] => {
    const byAssignment = groupBy(rows, ({ assignment }) => assignment.id);
    lessons.preloadGiven([...byAssignment.keys()]);
    const adjustments = known ? null : records.adjustmentsFor(studentId);
    const now = clock();
    const termsOf = (id: string, own: readonly Found[]) => {
      const record = { receipts: own.map((row) => row.receipt), adjustments: adjustments?.get(id) ?? [] };
      return known?.get(id)?.terms ?? effectiveTerms(lessons.givenOf(id), record, now);
    };
    return [...byAssignment]
      .map(([id, own]) => toReceived(own[0] as Found, termsOf(id, own)))
      .toSorted((a, b) => dueOf(a) - dueOf(b));
  };

  return {
    /**
     * All of it, what is due first first.
     * @param known what holds for the student, by the assignment, where that was computed already
     */
    list(studentId: string, known?: ReadonlyMap<string, Pick<Received, 'terms'>>): Received[] {
      return listed(studentId, all.all({ studentId }), known);
    },

    /** Also what was taken back. */
    listAll: (studentId: string): Received[] => listed(studentId, withTakenBack.all({ studentId })),

    find(studentId: string, assignmentId: string): Received | undefined {
      const record = records.find(assignmentId, studentId);
      const row = record && one.get({ studentId, assignmentId });
      return row && toReceived(row, lessons.termsOf(assignmentId, record, clock()));
    },

    /** What holds for a student now; undefined for what they never received. */
    termsOf(studentId: string, assignmentId: string): EffectiveTerms | undefined {
      const record = records.find(assignmentId, studentId);
      return record && lessons.termsOf(assignmentId, record, clock());
    },
  };
}

/** What has no date comes last. */
const dueOf = ({ terms }: Received): number => terms.window.dueAt ?? Number.MAX_SAFE_INTEGER;

import type { AddresseeKind, Adjustment, AssignmentWindow, StudentRecord } from '@semita/core/assignment';
import { groupBy } from '@semita/core/elements';
import { and, asc, eq, inArray, type SQL, sql } from 'drizzle-orm';
import { addressees, adjustments, recipients } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type RecipientRepository = ReturnType<typeof createRecipientRepository>;
export type AdjustmentRow = typeof adjustments.$inferSelect;

/** An adjustment as it is made, with who made it and why. */
export type MadeAdjustment = Adjustment & {
  readonly assignmentId: string;
  readonly studentId: string;
  readonly by: string;
  readonly reason: string | null;
};

const none: readonly never[] = [];

/** Records kept in memory, so that a student who sends every few seconds is not looked up every time. */
const maxKept = 5_000;

/** Who receives what, through whom and since when, and what is different for them. */
export function createRecipientRepository({ db, newId }: Pick<Deps, 'db' | 'newId'>) {
  const kept = new Map<string, StudentRecord>();
  const keyOf = (assignmentId: string, studentId: string) => `${assignmentId} ${studentId}`;

  const receipt = { addresseeId: recipients.addresseeId, since: recipients.since, until: recipients.until };
  const receiptsOfOne = db
    .select(receipt)
    .from(recipients)
    .where(
      and(
        eq(recipients.assignmentId, sql.placeholder('assignmentId')),
        eq(recipients.studentId, sql.placeholder('studentId')),
      ),
    )
    .orderBy(asc(recipients.since))
    .prepare();
  const selectAdjustments = (place: SQL | undefined) =>
    db.select().from(adjustments).where(place).orderBy(asc(adjustments.at), asc(adjustments.id));
  const adjustmentsOfOne = selectAdjustments(
    and(
      eq(adjustments.assignmentId, sql.placeholder('assignmentId')),
      eq(adjustments.studentId, sql.placeholder('studentId')),
    ),
  ).prepare();

  const adjustmentsOfAll = selectAdjustments(
    inArray(adjustments.assignmentId, sql`(select value from json_each(${sql.placeholder('assignmentIds')}))`),
  ).prepare();
  const adjustmentsOfStudent = selectAdjustments(eq(adjustments.studentId, sql.placeholder('studentId'))).prepare();

  /** Students whom an addressee means as its class and groups stand now. */
  const meant = sql`select a.id as addressee_id, a.assignment_id, cs.student_id from addressees a
    join class_students cs on cs.class_id = a.class_id
    where (a.kind = 'class' or (a.kind = 'student' and a.student_id = cs.student_id) or (a.kind = 'group' and exists
      (select 1 from group_members m where m.group_id = a.group_id and m.student_id = cs.student_id)))`;

  const follow = (which: { readonly addressee: SQL; readonly student: SQL }, at: number): void => {
    db.run(sql`update recipients set until = ${at} where until is null
      and addressee_id in (select a.id from addressees a where a.kind <> 'guests' and ${which.addressee}) and ${which.student}
      and (addressee_id, student_id) not in (select m.addressee_id, m.student_id from (${meant} and ${which.addressee}) m)`);
    db.run(sql`insert into recipients (assignment_id, addressee_id, student_id, since)
      select m.assignment_id, m.addressee_id, m.student_id, ${at} from (${meant} and ${which.addressee}) m
      where ${which.student} and not exists (select 1 from recipients r
        where r.addressee_id = m.addressee_id and r.student_id = m.student_id and r.until is null)
      on conflict (addressee_id, student_id, since) do update set until = null`);
    kept.clear();
  };

  return {
    /** One student's record; undefined where they never received it. */
    find(assignmentId: string, studentId: string): StudentRecord | undefined {
      const key = keyOf(assignmentId, studentId);
      const known = kept.get(key);
      if (known) return known;
      const receipts = receiptsOfOne.all({ assignmentId, studentId });
      if (receipts.length === 0) return undefined;
      const record = { receipts, adjustments: adjustmentsOfOne.all({ assignmentId, studentId }).map(toAdjustment) };
      if (kept.size >= maxKept) kept.clear();
      kept.set(key, record);
      return record;
    },

    /** What is different for students of some assignments: by the assignment and the student, in order. */
    adjustmentsOf(assignmentIds: readonly string[]) {
      const rows = adjustmentsOfAll.all({ assignmentIds: JSON.stringify(assignmentIds) });
      if (rows.length === 0) return () => none;
      const byStudent = groupBy(rows, (row) => keyOf(row.assignmentId, row.studentId));
      return (assignmentId: string, studentId: string): readonly Adjustment[] =>
        (byStudent.get(keyOf(assignmentId, studentId)) ?? none).map(toAdjustment);
    },

    /** What is different for one student, by the assignment, in order. */
    adjustmentsFor(studentId: string): ReadonlyMap<string, readonly Adjustment[]> {
      const rows = adjustmentsOfStudent.all({ studentId });
      return new Map(
        [...groupBy(rows, ({ assignmentId }) => assignmentId)].map(([id, own]) => [id, own.map(toAdjustment)]),
      );
    },

    /** Classes through which a student receives an assignment, or did. */
    classIdsOf: (assignmentId: string, studentId: string): string[] =>
      db
        .selectDistinct({ classId: addressees.classId })
        .from(recipients)
        .innerJoin(addressees, eq(addressees.id, recipients.addresseeId))
        .where(and(eq(recipients.assignmentId, assignmentId), eq(recipients.studentId, studentId)))
        .all()
        .map(({ classId }) => classId),

    /** Students who receive an assignment through one of some classes, or did. */
    listThrough: (assignmentId: string, classIds: readonly string[]): ReadonlySet<string> =>
      new Set(
        db
          .selectDistinct({ studentId: recipients.studentId })
          .from(recipients)
          .innerJoin(addressees, eq(addressees.id, recipients.addresseeId))
          .where(and(eq(recipients.assignmentId, assignmentId), inArray(addressees.classId, [...classIds])))
          .all()
          .map(({ studentId }) => studentId),
      ),

    /** Everything that was made different for one student, with who and why; the latest first. */
    listAdjustments: (assignmentId: string, studentId: string): AdjustmentRow[] =>
      adjustmentsOfOne.all({ assignmentId, studentId }).toReversed(),

    adjust(made: readonly MadeAdjustment[]): void {
      for (const { assignmentId, studentId, at, by, reason, ...change } of made) {
        const window = change.kind === 'extended' ? change.window : {};
        const editionId = change.kind === 'editionSwapped' ? change.editionId : null;
        db.insert(adjustments)
          .values({ id: newId(), assignmentId, studentId, kind: change.kind, at, by, reason, ...window, editionId })
          .run();
        kept.delete(keyOf(assignmentId, studentId));
      }
    },

    /** Reaches all whom a new addressee means. */
    reach(addresseeId: string, at: number): void {
      follow({ addressee: sql`a.id = ${addresseeId}`, student: sql`true` }, at);
    },

    /** Lets somebody receive through an addressee that means nobody by itself. */
    reachOne(addresseeId: string, assignmentId: string, studentId: string, at: number): void {
      db.insert(recipients).values({ addresseeId, assignmentId, studentId, since: at }).onConflictDoNothing().run();
      kept.delete(keyOf(assignmentId, studentId));
    },

    /** Forgets what is kept in memory: rows were moved from one person to another. */
    forget(): void {
      kept.clear();
    },

    /** Lets what was given follow the class and groups that a student is in now. @returns which assignments */
    followStudent(classId: string, studentId: string, at: number): string[] {
      follow({ addressee: sql`a.class_id = ${classId}`, student: sql`student_id = ${studentId}` }, at);
      return db
        .selectDistinct({ assignmentId: recipients.assignmentId })
        .from(recipients)
        .innerJoin(addressees, eq(addressees.id, recipients.addresseeId))
        .where(and(eq(addressees.classId, classId), eq(recipients.studentId, studentId)))
        .all()
        .map(({ assignmentId }) => assignmentId);
    },
  };
}

function toAdjustment({ kind, at, opensAt, dueAt, closesAt, editionId }: AdjustmentRow): Adjustment {
  if (kind === 'extended') return { kind, at, window: { opensAt, dueAt, closesAt } satisfies AssignmentWindow };
  if (kind === 'editionSwapped') return { kind, at, editionId: editionId ?? '' };
  return { kind, at };
}

/** To whom something is given. */
export interface GivenTo {
  readonly kind: AddresseeKind;
  readonly classId: string;
  readonly groupId: string | null;
  readonly studentId: string | null;
}

import type { AssignmentWindow } from '@semita/core/assignment';
import type { Terms } from '@semita/core/attempt';
import { and, asc, desc, eq, inArray, isNull, max, sql } from 'drizzle-orm';
import { addressees, addresseeWindows, assignments, attempts, editions, erasedWork, series } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { GivenTo } from './recipient-repository.ts';

export type AssignmentRow = typeof assignments.$inferSelect;
/** Where an assignment stands in a series. */
export interface SeriesPlace {
  readonly seriesId: string;
  readonly seriesPlace: number;
  readonly afterPercent: number | null;
}

export type SeriesRow = typeof series.$inferSelect;
export type AssignmentRepository = ReturnType<typeof createAssignmentRepository>;

/** Assignments, to whom they were given and when they are open. */
export function createAssignmentRepository({ db, newId }: Pick<Deps, 'db' | 'newId'>) {
  const mostAttempts = db
    .select({ number: max(attempts.number) })
    .from(attempts)
    .where(eq(attempts.assignmentId, sql.placeholder('assignmentId')))
    .prepare();

  const byId = db
    .select()
    .from(assignments)
    .where(eq(assignments.id, sql.placeholder('assignmentId')))
    .prepare();

  return {
    insert: (row: AssignmentRow): void => {
      db.insert(assignments).values(row).run();
    },

    insertSeries: (row: SeriesRow): void => {
      db.insert(series).values(row).run();
    },

    /** Its steps in their order, also those that were taken back. */
    listSteps: (seriesId: string): AssignmentRow[] =>
      db
        .select()
        .from(assignments)
        .where(eq(assignments.seriesId, seriesId))
        .orderBy(asc(assignments.seriesPlace))
        .all(),

    changeSeries(seriesId: string, title: string): void {
      db.update(series).set({ title }).where(eq(series.id, seriesId)).run();
    },

    placeInSeries(assignmentId: string, { seriesPlace, afterPercent }: Omit<SeriesPlace, 'seriesId'>): void {
      db.update(assignments).set({ seriesPlace, afterPercent }).where(eq(assignments.id, assignmentId)).run();
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

    setNote(assignmentId: string, note: string): void {
      db.update(assignments).set({ note }).where(eq(assignments.id, assignmentId)).run();
    },

    setTerms(assignmentId: string, terms: Terms): void {
      db.update(assignments).set({ terms }).where(eq(assignments.id, assignmentId)).run();
    },

    setReleased(assignmentId: string, releasedAt: number | null): void {
      db.update(assignments).set({ releasedAt }).where(eq(assignments.id, assignmentId)).run();
    },

    setTakenBack(assignmentId: string, takenBackAt: number | null): void {
      db.update(assignments).set({ takenBackAt }).where(eq(assignments.id, assignmentId)).run();
    },

    /** What was given in some classes, the newest first; also what was taken back, where that is asked for. */
    listInClasses: (classIds: readonly string[], withTakenBack: boolean): AssignmentRow[] =>
      db
        .select()
        .from(assignments)
        .where(
          and(
            withTakenBack ? undefined : isNull(assignments.takenBackAt),
            inArray(
              assignments.id,
              db
                .select({ id: addressees.assignmentId })
                .from(addressees)
                .where(inArray(addressees.classId, [...classIds])),
            ),
          ),
        )
        .orderBy(desc(assignments.createdAt))
        .all(),

    /** Of the classes, groups and students that something is to be given to, those who have this lesson in some edition. */
    listGivenTo: (lessonId: string, to: readonly GivenTo[]): GivenTo[] => {
      const rows = db
        .selectDistinct({
          ...{ kind: addressees.kind, classId: addressees.classId },
          ...{ groupId: addressees.groupId, studentId: addressees.studentId },
        })
        .from(addressees)
        .innerJoin(assignments, eq(assignments.id, addressees.assignmentId))
        .innerJoin(editions, eq(editions.id, assignments.editionId))
        .where(and(eq(editions.lessonId, lessonId), isNull(assignments.takenBackAt)))
        .all();
      const keyOf = ({ kind, classId, groupId, studentId }: GivenTo) => `${kind} ${groupId ?? studentId ?? classId}`;
      const known = new Set(rows.map(keyOf));
      return to.filter((one) => known.has(keyOf(one)));
    },

    /** What a sheet says of all its students together: the most attempts of one, and what those did who were erased since. */
    findWhole: (assignmentId: string) => {
      const { begun, handedIn, earned, possible } = erasedWork;
      const row = db
        .select({
          mostAttempts: sql<number>`(select coalesce(max(t.number), 0) from attempts t where t.assignment_id = "assignments"."id")`,
          erased: { begun, handedIn, earned, possible },
        })
        .from(assignments)
        .leftJoin(erasedWork, eq(erasedWork.assignmentId, assignments.id))
        .where(eq(assignments.id, assignmentId))
        .get();
      return { mostAttempts: row?.mostAttempts ?? 0, erased: row?.erased ?? null };
    },

    /** The greatest number of attempts that a student has begun. */
    mostAttempts: (assignmentId: string): number => mostAttempts.get({ assignmentId })?.number ?? 0,
  };
}

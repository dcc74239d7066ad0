import {
  type AssignmentWindow,
  applyKeyChanges,
  createContext,
  type Lesson,
  type Terms,
  type WalkContext,
} from '@semita/core';
import { and, asc, desc, eq, type Placeholder, sql } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import {
  assignments,
  attempts,
  classes,
  classStudents,
  classTeachers,
  editions,
  excusals,
  keyChanges,
  users,
  windowChanges,
} from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

export type AssignmentRow = typeof assignments.$inferSelect;
export type AssignmentRepository = ReturnType<typeof createAssignmentRepository>;

/** An assignment with what is around it. */
export interface PlacedAssignment {
  readonly assignment: AssignmentRow;
  readonly className: string;
  readonly timeZone: string;
}

/** The frozen lesson of an assignment, with its keys as they stand, and what attempts at it are walked against. */
export interface AssignedLesson {
  readonly lessonId: string;
  readonly editionNumber: number;
  readonly lesson: Lesson;
  readonly terms: Terms;
  readonly context: WalkContext;
}

export function createAssignmentRepository({ db }: Pick<Deps, 'db'>) {
  // Editions never change and terms are fixed when an assignment is made; only a key that is put right changes this, or
  // a newer edition of a lesson that it shows, as long as nobody has begun.
  const lessonCache = new Map<string, AssignedLesson>();

  const placed = { assignment: assignments, className: classes.name, timeZone: classes.timeZone };

  const selectTaught = (teacherId: string | Placeholder) =>
    db
      .select(placed)
      .from(assignments)
      .innerJoin(classes, eq(classes.id, assignments.classId))
      .innerJoin(classTeachers, and(eq(classTeachers.classId, classes.id), eq(classTeachers.teacherId, teacherId)));

  const taughtById = selectTaught(sql.placeholder('teacherId'))
    .where(eq(assignments.id, sql.placeholder('assignmentId')))
    .prepare();

  const anyAttempt = db
    .select({ one: attempts.id })
    .from(attempts)
    .where(eq(attempts.assignmentId, sql.placeholder('assignmentId')))
    .limit(1)
    .prepare();

  const selectReceived = (studentId: string) =>
    db
      .select({ ...placed, teacherName: users.displayName })
      .from(assignments)
      .innerJoin(classes, eq(classes.id, assignments.classId))
      .innerJoin(users, eq(users.id, assignments.createdBy))
      .innerJoin(classStudents, and(eq(classStudents.classId, classes.id), eq(classStudents.studentId, studentId)));

  return {
    insert(row: AssignmentRow): void {
      const { id: assignmentId, opensAt, dueAt, closesAt } = row;
      inTransaction(db, () => {
        db.insert(assignments).values(row).run();
        // Its first window holds from the beginning of time: nothing can have come in before.
        db.insert(windowChanges).values({ assignmentId, at: 0, opensAt, dueAt, closesAt }).run();
      });
    },

    /** @param at from when it holds, epoch ms: what came in before is judged by the window of before */
    setWindow(assignmentId: string, window: AssignmentWindow, at: number): void {
      inTransaction(db, () => {
        db.update(assignments).set(window).where(eq(assignments.id, assignmentId)).run();
        db.insert(windowChanges)
          .values({ assignmentId, at, ...window })
          .run();
      });
      lessonCache.delete(assignmentId);
    },

    listTaught: (actor: Actor): PlacedAssignment[] => selectTaught(actor.id).orderBy(desc(assignments.createdAt)).all(),

    findTaught: (actor: Actor, assignmentId: string): PlacedAssignment | undefined =>
      taughtById.get({ teacherId: actor.id, assignmentId }),

    listReceived: (studentId: string) => selectReceived(studentId).orderBy(asc(assignments.dueAt)).all(),

    findReceived: (studentId: string, assignmentId: string) =>
      selectReceived(studentId).where(eq(assignments.id, assignmentId)).get(),

    getLesson(assignmentId: string): AssignedLesson {
      const cached = lessonCache.get(assignmentId);
      if (cached) return cached;
      const row = db
        .select({ terms: assignments.terms, edition: editions })
        .from(assignments)
        .innerJoin(editions, eq(editions.id, assignments.editionId))
        .where(eq(assignments.id, assignmentId))
        .get();
      if (!row) throw new Error(`No edition behind assignment ${assignmentId}`);
      const { lessonId, number, content } = row.edition;
      const changes = db
        .select({ question: keyChanges.question, at: keyChanges.at })
        .from(keyChanges)
        .where(eq(keyChanges.assignmentId, assignmentId))
        .orderBy(asc(keyChanges.at))
        .all();
      const windows = db
        .select()
        .from(windowChanges)
        .where(eq(windowChanges.assignmentId, assignmentId))
        .orderBy(asc(windowChanges.at))
        .all();
      const context: WalkContext = {
        ...createContext(content, row.terms, changes),
        // What came in with the change was judged by the window of before.
        windowAt: (receivedAt) => windows.findLast(({ at }) => at < receivedAt) ?? null,
      };
      const lesson = applyKeyChanges(content, changes);
      const assigned = { lessonId, editionNumber: number, lesson, terms: row.terms, context };
      if (lessonCache.size >= 200) lessonCache.clear();
      lessonCache.set(assignmentId, assigned);
      return assigned;
    },

    /** Forgets what is kept of lessons that are others now. */
    forget(assignmentIds: readonly string[]): void {
      for (const id of assignmentIds) lessonCache.delete(id);
    },

    addKeyChange(change: typeof keyChanges.$inferInsert): void {
      db.insert(keyChanges).values(change).run();
      lessonCache.delete(change.assignmentId);
    },

    setExcused(assignmentId: string, studentId: string, excused: boolean): void {
      if (excused) db.insert(excusals).values({ assignmentId, studentId }).onConflictDoNothing().run();
      else
        db.delete(excusals)
          .where(and(eq(excusals.assignmentId, assignmentId), eq(excusals.studentId, studentId)))
          .run();
    },

    hasAttempts: (assignmentId: string): boolean => anyAttempt.get({ assignmentId }) !== undefined,
  };
}

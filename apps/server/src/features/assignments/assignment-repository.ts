import type { AssignmentWindow } from '@semita/core/assignment';
import type { Terms } from '@semita/core/attempt';
import { type Lesson, lessonLengths } from '@semita/core/lesson';
import { applyKeyChanges, createContext } from '@semita/core/own-lesson';
import { pathFigures } from '@semita/core/path';
import type { WalkContext } from '@semita/core/walk';
import { and, asc, desc, eq, inArray, type Placeholder, sql } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { rowsBy } from '../../db/rows-by.ts';
import {
  assignments,
  attempts,
  classes,
  classStudents,
  classTeachers,
  editionSummaries,
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

/** What lists say of a lesson that was given. */
export type EditionFigures = Omit<typeof editionSummaries.$inferSelect, 'editionId'>;

/** Lessons stay in memory, up to so many. */
const mostLessonsKept = 200;

/** A key that is put right changes none of these: it shows and is worth the same. */
const figuresOfLesson = (lesson: Lesson): EditionFigures => ({
  title: lesson.title,
  stopCount: lesson.parts.reduce((sum, { stops }) => sum + stops.length, 0),
  ...lessonLengths(lesson.parts),
  // Of who has not begun; practice counts for nothing.
  possible: pathFigures(lesson)?.points.most ?? 0,
});

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

  const selectReceived = (studentId: Placeholder) =>
    db
      .select({ ...placed, teacherName: users.displayName, lessonId: editions.lessonId })
      .from(assignments)
      .innerJoin(editions, eq(editions.id, assignments.editionId))
      .innerJoin(classes, eq(classes.id, assignments.classId))
      .innerJoin(users, eq(users.id, assignments.createdBy))
      .innerJoin(classStudents, and(eq(classStudents.classId, classes.id), eq(classStudents.studentId, studentId)));

  const received = selectReceived(sql.placeholder('studentId')).orderBy(asc(assignments.dueAt)).prepare();
  const receivedById = selectReceived(sql.placeholder('studentId'))
    .where(eq(assignments.id, sql.placeholder('assignmentId')))
    .prepare();

  const loadLessons = (assignmentIds: readonly string[]): ReadonlyMap<string, AssignedLesson> => {
    const rows = db
      .select({ id: assignments.id, terms: assignments.terms, edition: editions })
      .from(assignments)
      .innerJoin(editions, eq(editions.id, assignments.editionId))
      .where(inArray(assignments.id, [...assignmentIds]))
      .all();
    const changes = rowsBy(
      db
        .select({ assignmentId: keyChanges.assignmentId, question: keyChanges.question, at: keyChanges.at })
        .from(keyChanges)
        .where(inArray(keyChanges.assignmentId, [...assignmentIds]))
        .orderBy(asc(keyChanges.at))
        .all(),
      ({ assignmentId }) => assignmentId,
    );
    const windows = rowsBy(
      db
        .select()
        .from(windowChanges)
        .where(inArray(windowChanges.assignmentId, [...assignmentIds]))
        .orderBy(asc(windowChanges.at))
        .all(),
      ({ assignmentId }) => assignmentId,
    );
    if (lessonCache.size + rows.length > mostLessonsKept) lessonCache.clear();
    const loaded = rows.map(({ id, terms, edition }): [string, AssignedLesson] => {
      const { lessonId, number, content } = edition;
      const changed = (changes.get(id) ?? []).map(({ question, at }) => ({ question, at }));
      const context: WalkContext = {
        ...createContext(content, terms, changed),
        // What came in with the change was judged by the window of before.
        windowAt: (receivedAt) => windows.get(id)?.findLast(({ at }) => at < receivedAt) ?? null,
      };
      return [id, { lessonId, editionNumber: number, lesson: applyKeyChanges(content, changed), terms, context }];
    });
    for (const [id, assigned] of loaded) lessonCache.set(id, assigned);
    return new Map(loaded);
  };

  const getLesson = (assignmentId: string): AssignedLesson => {
    const known = lessonCache.get(assignmentId) ?? loadLessons([assignmentId]).get(assignmentId);
    if (!known) throw new Error(`No edition behind assignment ${assignmentId}`);
    return known;
  };

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

    listReceived: (studentId: string) => received.all({ studentId }),

    findReceived: (studentId: string, assignmentId: string) => receivedById.get({ studentId, assignmentId }),

    /** @throws when there is no such assignment */
    getLesson,

    /** Reads what is not yet known of several, all at once. */
    preloadLessons(assignmentIds: readonly string[]): void {
      const missing = assignmentIds.filter((id) => !lessonCache.has(id));
      if (missing.length > 0) loadLessons(missing);
    },

    /** What lists say of the editions of some assignments, by the edition. */
    figuresOf(given: readonly Pick<AssignmentRow, 'id' | 'editionId'>[]): ReadonlyMap<string, EditionFigures> {
      const wanted = new Map(given.map(({ id, editionId }) => [editionId, id]));
      const rows = db
        .select()
        .from(editionSummaries)
        .where(inArray(editionSummaries.editionId, [...wanted.keys()]))
        .all();
      const known = new Map(rows.map(({ editionId, ...figures }) => [editionId, figures]));
      for (const [editionId, assignmentId] of wanted) {
        if (known.has(editionId)) continue;
        const figures = figuresOfLesson(getLesson(assignmentId).lesson);
        db.insert(editionSummaries)
          .values({ editionId, ...figures })
          .onConflictDoNothing()
          .run();
        known.set(editionId, figures);
      }
      return known;
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

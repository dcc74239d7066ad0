import type { Lesson } from '@semita/core';
import { and, desc, eq, lt, notInArray, sql } from 'drizzle-orm';
import { assignments, attempts, editions, lessonSaves, lessons } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

export type LessonRow = typeof lessons.$inferSelect;
export type EditionRow = typeof editions.$inferSelect;
export type LessonRepository = ReturnType<typeof createLessonRepository>;

const savesKept = 200;

export function createLessonRepository({ db }: Pick<Deps, 'db'>) {
  return {
    insert(row: LessonRow): void {
      db.insert(lessons).values(row).run();
    },

    listOwned(actor: Actor): LessonRow[] {
      return db.select().from(lessons).where(eq(lessons.ownerId, actor.id)).orderBy(desc(lessons.updatedAt)).all();
    },

    findOwned(actor: Actor, lessonId: string): LessonRow | undefined {
      return db
        .select()
        .from(lessons)
        .where(and(eq(lessons.id, lessonId), eq(lessons.ownerId, actor.id)))
        .get();
    },

    saveDraft(lessonId: string, draft: Lesson, version: number, updatedAt: number): void {
      db.update(lessons).set({ draft, version, updatedAt }).where(eq(lessons.id, lessonId)).run();
    },

    /** The version that a save came to; undefined for one that is not known. */
    findSave(lessonId: string, saveId: string): number | undefined {
      const place = and(eq(lessonSaves.lessonId, lessonId), eq(lessonSaves.saveId, saveId));
      return db.select({ version: lessonSaves.version }).from(lessonSaves).where(place).get()?.version;
    },

    /** Remembers a save, and forgets those that no browser is still waiting for. */
    keepSave(lessonId: string, saveId: string, version: number): void {
      db.insert(lessonSaves).values({ lessonId, saveId, version }).run();
      db.delete(lessonSaves)
        .where(and(eq(lessonSaves.lessonId, lessonId), lt(lessonSaves.version, version - savesKept)))
        .run();
    },

    findLatestEdition(lessonId: string): EditionRow | undefined {
      return db
        .select()
        .from(editions)
        .where(eq(editions.lessonId, lessonId))
        .orderBy(desc(editions.number))
        .limit(1)
        .get();
    },

    findEdition(lessonId: string, number: number): EditionRow | undefined {
      return db
        .select()
        .from(editions)
        .where(and(eq(editions.lessonId, lessonId), eq(editions.number, number)))
        .get();
    },

    /** The teacher's lessons of which some edition shows another lesson. */
    listShowing(actor: Actor, lessonId: string): string[] {
      return db
        .selectDistinct({ id: editions.lessonId })
        .from(editions)
        .innerJoin(lessons, eq(lessons.id, editions.lessonId))
        .where(and(eq(lessons.ownerId, actor.id), sql`instr(${editions.source}, ${lessonId}) > 0`))
        .all()
        .map(({ id }) => id);
    },

    /** Puts a newer edition in the place of an older one in assignments that nobody has begun. */
    moveUnbegunAssignments(olderId: string, newerId: string): string[] {
      const begun = db.select({ id: attempts.assignmentId }).from(attempts);
      const place = and(eq(assignments.editionId, olderId), notInArray(assignments.id, begun));
      const moved = db.select({ id: assignments.id }).from(assignments).where(place).all();
      db.update(assignments).set({ editionId: newerId }).where(place).run();
      return moved.map(({ id }) => id);
    },

    insertEdition(row: EditionRow): void {
      db.insert(editions).values(row).run();
    },
  };
}

import type { Lesson } from '@semita/core';
import { and, desc, eq } from 'drizzle-orm';
import { editions, lessons } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

export type LessonRow = typeof lessons.$inferSelect;
export type EditionRow = typeof editions.$inferSelect;
export type LessonRepository = ReturnType<typeof createLessonRepository>;

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

    findLatestEdition(lessonId: string): EditionRow | undefined {
      return db
        .select()
        .from(editions)
        .where(eq(editions.lessonId, lessonId))
        .orderBy(desc(editions.number))
        .limit(1)
        .get();
    },

    insertEdition(row: EditionRow): void {
      db.insert(editions).values(row).run();
    },
  };
}

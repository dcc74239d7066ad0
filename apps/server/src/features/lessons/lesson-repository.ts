import type { Lesson } from '@semita/core/lesson';
import { and, desc, eq, inArray, isNotNull, isNull, lt, notInArray, sql } from 'drizzle-orm';
import { assignments, attempts, editions, lessonSaves, lessonSummaries, lessons } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { LessonUses } from '../../projections/lesson-uses.ts';
import type { MaterialUses } from '../../projections/material-uses.ts';
import type { Actor } from '../accounts/session-service.ts';

export type LessonRow = typeof lessons.$inferSelect;
export type EditionRow = typeof editions.$inferSelect;
/** What the shelf says of a draft. */
export type DraftSummary = Omit<typeof lessonSummaries.$inferSelect, 'lessonId'>;
export type LessonRepository = ReturnType<typeof createLessonRepository>;

const savesKept = 200;

interface Options extends Pick<Deps, 'db'> {
  readonly uses: { readonly materials: MaterialUses; readonly lessons: LessonUses };
}

/** Writes belong into a transaction: what is used and what the shelf says are written with what was saved. */
export function createLessonRepository({ db, uses }: Options) {
  const keepSummary = (lessonId: string, summary: DraftSummary): void => {
    db.insert(lessonSummaries)
      .values({ lessonId, ...summary })
      .onConflictDoUpdate({ target: lessonSummaries.lessonId, set: summary })
      .run();
  };
  const keepWithDraft = (lessonId: string, draft: Lesson, summary: DraftSummary): void => {
    uses.materials.keepDraft(lessonId, draft);
    uses.lessons.keepDraft(lessonId, draft);
    keepSummary(lessonId, summary);
  };

  return {
    insert(row: LessonRow, summary: DraftSummary): void {
      db.insert(lessons).values(row).run();
      keepWithDraft(row.id, row.draft, summary);
    },

    /**
     * Of the actor's lessons on the shelf, or of those in the bin, the last changed first: what is said of each; null
     * where that is not known yet.
     */
    listSummaries(actor: Actor, areRemoved = false) {
      const latest = db
        .select({ lessonId: editions.lessonId, number: sql<number>`max(${editions.number})`.as('latest_number') })
        .from(editions)
        .groupBy(editions.lessonId)
        .as('latest');
      return db
        .select({
          ...{ id: lessons.id, version: lessons.version, updatedAt: lessons.updatedAt, summary: lessonSummaries },
          ...{ editionNumber: editions.number, editionOf: editions.draftVersion },
        })
        .from(lessons)
        .leftJoin(lessonSummaries, eq(lessonSummaries.lessonId, lessons.id))
        .leftJoin(latest, eq(latest.lessonId, lessons.id))
        .leftJoin(editions, and(eq(editions.lessonId, lessons.id), eq(editions.number, latest.number)))
        .where(
          and(eq(lessons.ownerId, actor.id), areRemoved ? isNotNull(lessons.removedAt) : isNull(lessons.removedAt)),
        )
        .orderBy(desc(lessons.updatedAt))
        .all();
    },

    keepSummary,

    /** Drafts of the actor's that show a material. */
    listShowing(actor: Actor, materialId: string): LessonRow[] {
      const showing = uses.materials.listDrafts(materialId);
      const place = and(eq(lessons.ownerId, actor.id), inArray(lessons.id, showing));
      return db.select().from(lessons).where(place).orderBy(desc(lessons.updatedAt)).all();
    },

    findOwned(actor: Actor, lessonId: string): LessonRow | undefined {
      return db
        .select()
        .from(lessons)
        .where(and(eq(lessons.id, lessonId), eq(lessons.ownerId, actor.id)))
        .get();
    },

    setRemoved(lessonId: string, removedAt: number | null): void {
      db.update(lessons).set({ removedAt }).where(eq(lessons.id, lessonId)).run();
    },

    saveDraft(lessonId: string, draft: Lesson, version: number, updatedAt: number, summary: DraftSummary): void {
      db.update(lessons).set({ draft, version, updatedAt }).where(eq(lessons.id, lessonId)).run();
      keepWithDraft(lessonId, draft, summary);
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

    /** Lessons some edition of which shows this one. */
    listByEdition: uses.lessons.listByEdition,

    /** Lessons whose draft shows this one. */
    listByDraft: uses.lessons.listByDraft,

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
      uses.materials.keepEdition(row.id, row.content);
      if (row.source) uses.lessons.keepEdition(row.id, row.source);
    },
  };
}

import type { CaptionCue } from '@semita/core/captions';
import type { Material } from '@semita/core/contract';
import { and, desc, eq, inArray, like, or, sql } from 'drizzle-orm';
import { captions, editions, lessons, materials } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

export type MaterialRow = typeof materials.$inferSelect;
export type MaterialRepository = ReturnType<typeof createMaterialRepository>;

export function createMaterialRepository({ db }: Pick<Deps, 'db'>) {
  const withCueCount = () =>
    db
      .select({ material: materials, captionCount: sql<number>`coalesce(json_array_length(${captions.cues}), 0)` })
      .from(materials)
      .leftJoin(captions, eq(captions.materialId, materials.id));

  /** Titles of the lessons whose draft or an edition of which shows the material. */
  const usedIn = (materialId: string): string[] =>
    db
      .selectDistinct({ title: sql<string>`${lessons.draft} ->> '$.title'` })
      .from(lessons)
      .leftJoin(editions, eq(editions.lessonId, lessons.id))
      .where(or(like(lessons.draft, `%${materialId}%`), like(editions.content, `%${materialId}%`)))
      .all()
      .map((row) => row.title);

  const toMaterial = ({ material, captionCount }: { material: MaterialRow; captionCount: number }): Material => {
    const { id, title, fileName, byteLength, status, refusal, lengthMs, mimeType, width, height, createdAt } = material;
    const facts = { id, title, fileName, byteLength, status, refusal, lengthMs, mimeType, width, height, createdAt };
    return { ...facts, captionCount, usedIn: usedIn(id) };
  };

  return {
    insert(row: MaterialRow): void {
      db.insert(materials).values(row).run();
    },

    update(materialId: string, change: Partial<MaterialRow>): void {
      db.update(materials).set(change).where(eq(materials.id, materialId)).run();
    },

    remove(materialId: string): void {
      db.delete(materials).where(eq(materials.id, materialId)).run();
    },

    /** The raw row, for anybody of the school. */
    findInSchool(schoolId: string, materialId: string): MaterialRow | undefined {
      return db
        .select()
        .from(materials)
        .where(and(eq(materials.id, materialId), eq(materials.schoolId, schoolId)))
        .get();
    },

    listChecking(): MaterialRow[] {
      return db.select().from(materials).where(eq(materials.status, 'checking')).all();
    },

    isHashUsed(sha256: string): boolean {
      return db.select({ id: materials.id }).from(materials).where(eq(materials.sha256, sha256)).get() !== undefined;
    },

    listOwned(actor: Actor): Material[] {
      return withCueCount()
        .where(eq(materials.ownerId, actor.id))
        .orderBy(desc(materials.createdAt))
        .all()
        .map(toMaterial);
    },

    findOwned(actor: Actor, materialId: string): Material | undefined {
      const row = withCueCount()
        .where(and(eq(materials.id, materialId), eq(materials.ownerId, actor.id)))
        .get();
      return row && toMaterial(row);
    },

    findByUpload(actor: Actor, uploadId: string): { id: string; byteLength: number } | undefined {
      return db
        .select({ id: materials.id, byteLength: materials.byteLength })
        .from(materials)
        .where(and(eq(materials.uploadId, uploadId), eq(materials.ownerId, actor.id)))
        .get();
    },

    listByIds(ids: readonly string[]): Material[] {
      return withCueCount()
        .where(inArray(materials.id, [...ids]))
        .all()
        .map(toMaterial);
    },

    replaceCaptions(materialId: string, cues: readonly CaptionCue[], updatedAt: number): void {
      db.insert(captions)
        .values({ materialId, cues, updatedAt })
        .onConflictDoUpdate({ target: captions.materialId, set: { cues, updatedAt } })
        .run();
    },

    readCaptions(materialId: string): readonly CaptionCue[] {
      return db.select().from(captions).where(eq(captions.materialId, materialId)).get()?.cues ?? [];
    },
  };
}

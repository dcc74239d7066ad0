import type { CaptionCue } from '@semita/core/captions';
import type { Material } from '@semita/core/contract';
import type { MadeDeck, Slide } from '@semita/core/deck';
import type { ReadingBlock } from '@semita/core/reading';
import { and, desc, eq, inArray, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import { isFileNamed } from '../../db/named-files.ts';
import { inTransaction } from '../../db/open.ts';
import { captions, decks, materials, pictures, readings } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { MaterialUses } from '../../projections/material-uses.ts';
import type { Actor } from '../accounts/session-service.ts';

export type MaterialRow = typeof materials.$inferSelect;
/** The pictures inside a material. */
export type Inside = readonly Omit<typeof pictures.$inferInsert, 'materialId'>[];

export type MaterialRepository = ReturnType<typeof createMaterialRepository>;

interface Options extends Pick<Deps, 'db'> {
  readonly uses: MaterialUses;
}

export function createMaterialRepository({ db, uses }: Options) {
  const withCueCount = () =>
    db
      .select({
        material: materials,
        captionCount: sql<number>`coalesce(${captions.cueCount}, 0)`,
        madeHere: isNotNull(decks.made).mapWith(Boolean),
      })
      .from(materials)
      .leftJoin(captions, eq(captions.materialId, materials.id))
      .leftJoin(decks, eq(decks.materialId, materials.id));

  interface ListedRow {
    readonly material: MaterialRow;
    readonly captionCount: number;
    readonly madeHere: boolean;
  }

  const toMaterials = (rows: readonly ListedRow[]): Material[] => {
    const titles = uses.titlesByMaterial(rows.map(({ material }) => material.id));
    return rows.map(({ material, captionCount, madeHere }) => {
      const { id, title, fileName, byteLength, kind, status, refusal, progress, replacesId, createdAt } = material;
      const { lengthMs, mimeType, width, height, level } = material;
      return {
        ...{ id, title, fileName, byteLength, kind, status, refusal, progress, replacesId, createdAt },
        ...{ lengthMs, mimeType, width, height, level },
        leftOut: [...(material.leftOut ?? [])],
        captionCount,
        madeHere,
        usedIn: [...(titles.get(id) ?? [])],
      };
    });
  };

  const keepInside = (materialId: string, inside: Inside, change: Partial<MaterialRow>): void => {
    db.delete(pictures).where(eq(pictures.materialId, materialId)).run();
    for (const picture of inside)
      db.insert(pictures)
        .values({ ...picture, materialId })
        .run();
    db.update(materials).set(change).where(eq(materials.id, materialId)).run();
  };

  return {
    insert(row: MaterialRow): void {
      db.insert(materials).values(row).run();
    },

    update(materialId: string, change: Partial<MaterialRow>): void {
      db.update(materials).set(change).where(eq(materials.id, materialId)).run();
    },

    /** Materials that were taken off the shelf before a moment. */
    listRemovedBefore(at: number): string[] {
      return db
        .select({ id: materials.id })
        .from(materials)
        .where(lt(materials.removedAt, at))
        .all()
        .map(({ id }) => id);
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

    find(materialId: string): MaterialRow | undefined {
      return db.select().from(materials).where(eq(materials.id, materialId)).get();
    },

    /** Names of all files of a material: its own and those of its pictures. */
    listFiles(materialId: string): string[] {
      const own = db.select({ sha256: materials.sha256 }).from(materials).where(eq(materials.id, materialId)).all();
      const inside = db
        .select({ sha256: pictures.sha256 })
        .from(pictures)
        .where(eq(pictures.materialId, materialId))
        .all();
      return [...new Set([...own, ...inside].flatMap(({ sha256 }) => (sha256 === null ? [] : [sha256])))];
    },

    isFileUsed: (sha256: string): boolean => isFileNamed(db.$client, sha256),

    /** Keeps what a document holds and says that it is ready, all at once. */
    keepReading(
      materialId: string,
      blocks: readonly ReadingBlock[],
      inside: Inside,
      change: Partial<MaterialRow>,
    ): void {
      inTransaction(db, () => {
        const row = { materialId, blocks };
        db.insert(readings).values(row).onConflictDoUpdate({ target: readings.materialId, set: { blocks } }).run();
        keepInside(materialId, inside, change);
      });
    },

    /** The same for a deck. */
    keepDeck(materialId: string, slides: readonly Slide[], inside: Inside, change: Partial<MaterialRow>): void {
      inTransaction(db, () => {
        const row = { materialId, slides };
        db.insert(decks).values(row).onConflictDoUpdate({ target: decks.materialId, set: { slides } }).run();
        keepInside(materialId, inside, change);
      });
    },

    /** Keeps slides that were made here, under a material that is there or is new. */
    keepMadeDeck(row: MaterialRow, made: MadeDeck, slides: readonly Slide[], inside: Inside): void {
      inTransaction(db, () => {
        db.insert(materials).values(row).onConflictDoUpdate({ target: materials.id, set: row }).run();
        const content = { slides, made };
        db.insert(decks)
          .values({ materialId: row.id, ...content })
          .onConflictDoUpdate({ target: decks.materialId, set: content })
          .run();
        uses.keepSlides(row.id, made);
        keepInside(row.id, inside, { status: 'ready' });
      });
    },

    /** Whether some material, of whomever, goes by an id. */
    isTaken: (materialId: string): boolean =>
      db.select({ id: materials.id }).from(materials).where(eq(materials.id, materialId)).get() !== undefined,

    readMadeDeck(materialId: string): MadeDeck | null {
      return db.select().from(decks).where(eq(decks.materialId, materialId)).get()?.made ?? null;
    },

    readSlides(materialId: string): readonly Slide[] {
      return db.select().from(decks).where(eq(decks.materialId, materialId)).get()?.slides ?? [];
    },

    readBlocks(materialId: string): readonly ReadingBlock[] {
      return db.select().from(readings).where(eq(readings.materialId, materialId)).get()?.blocks ?? [];
    },

    describePicture(materialId: string, name: string, alt: string | null): void {
      db.update(pictures)
        .set({ alt })
        .where(and(eq(pictures.materialId, materialId), eq(pictures.name, name)))
        .run();
    },

    /** What teachers wrote for pictures, by the pictures' names. */
    listPictureWords(materialId: string): ReadonlyMap<string, string> {
      const rows = db
        .select({ name: pictures.name, alt: pictures.alt })
        .from(pictures)
        .where(and(eq(pictures.materialId, materialId), isNotNull(pictures.alt)))
        .all();
      return new Map(rows.map(({ name, alt }) => [name, alt ?? '']));
    },

    findPicture(materialId: string, name: string): { sha256: string; mimeType: string } | undefined {
      return db
        .select({ sha256: pictures.sha256, mimeType: pictures.mimeType })
        .from(pictures)
        .where(and(eq(pictures.materialId, materialId), eq(pictures.name, name)))
        .get();
    },

    listOwned(actor: Actor): Material[] {
      const own = and(eq(materials.ownerId, actor.id), isNull(materials.removedAt));
      return toMaterials(withCueCount().where(own).orderBy(desc(materials.createdAt)).all());
    },

    findOwned(actor: Actor, materialId: string): Material | undefined {
      const own = and(eq(materials.id, materialId), eq(materials.ownerId, actor.id), isNull(materials.removedAt));
      return toMaterials(withCueCount().where(own).all())[0];
    },

    /** @returns whether there was such a one of the actor's off the shelf */
    bringBack(actor: Actor, materialId: string): boolean {
      const place = and(eq(materials.id, materialId), eq(materials.ownerId, actor.id), isNotNull(materials.removedAt));
      return db.update(materials).set({ removedAt: null }).where(place).run().changes > 0;
    },

    /** Whether all are the actor's; asked with every change of a draft, so it looks no further than that. */
    areOwned(actor: Actor, ids: readonly string[]): boolean {
      const own = db
        .select({ id: materials.id })
        .from(materials)
        .where(and(eq(materials.ownerId, actor.id), inArray(materials.id, [...ids]), isNull(materials.removedAt)))
        .all();
      return own.length === new Set(ids).size;
    },

    findByUpload(actor: Actor, uploadId: string): { id: string; byteLength: number } | undefined {
      return db
        .select({ id: materials.id, byteLength: materials.byteLength })
        .from(materials)
        .where(and(eq(materials.uploadId, uploadId), eq(materials.ownerId, actor.id)))
        .get();
    },

    listByIds(ids: readonly string[]): Material[] {
      return toMaterials(
        withCueCount()
          .where(inArray(materials.id, [...ids]))
          .all(),
      );
    },

    replaceCaptions(materialId: string, cues: readonly CaptionCue[], updatedAt: number): void {
      const change = { cues, cueCount: cues.length, updatedAt };
      db.insert(captions)
        .values({ materialId, ...change })
        .onConflictDoUpdate({ target: captions.materialId, set: change })
        .run();
    },

    readCaptions(materialId: string): readonly CaptionCue[] {
      return db.select().from(captions).where(eq(captions.materialId, materialId)).get()?.cues ?? [];
    },
  };
}

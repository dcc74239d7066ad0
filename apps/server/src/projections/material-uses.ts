import { type MadeDeck, materialsOfSlides } from '@semita/core/deck';
import { type Lesson, materialsOf, materialsOfQuestion } from '@semita/core/lesson';
import type { Question } from '@semita/core/question';
import { and, eq, inArray, isNotNull, or, sql } from 'drizzle-orm';
import { type Db, inTransaction } from '../db/open.ts';
import { bankItems, decks, editions, lessonSummaries, lessons, materials, materialUses } from '../db/schema.ts';

export type MaterialUses = ReturnType<typeof createMaterialUses>;

type Place = Partial<Pick<typeof materialUses.$inferInsert, 'draftOf' | 'editionId' | 'slidesOf' | 'bankItemId'>>;

/** Which material is shown where. What shows materials is told here in the transaction that saves it. */
export function createMaterialUses({ db }: { readonly db: Db }) {
  const keep = (place: Place, materialIds: readonly string[]): void => {
    const [[name, showerId]] = Object.entries(place) as [[keyof Place, string]];
    const here = eq(materialUses[name], showerId);
    const before = db.select({ id: materialUses.materialId }).from(materialUses).where(here).all();
    const wanted = new Set(materialIds);
    // Nearly every save of a draft changes words alone.
    if (before.length === wanted.size && before.every(({ id }) => wanted.has(id))) return;
    db.delete(materialUses).where(here).run();
    // What is gone from the shelf for good is used nowhere.
    const known = db
      .select({ id: materials.id })
      .from(materials)
      .where(inArray(materials.id, [...wanted]))
      .all();
    for (const { id } of known)
      db.insert(materialUses)
        .values({ materialId: id, ...place })
        .run();
  };

  const keepDraft = (lessonId: string, draft: Lesson) => keep({ draftOf: lessonId }, materialsOf(draft));
  const keepEdition = (editionId: string, content: Lesson) => keep({ editionId }, materialsOf(content));
  const keepSlides = (deckId: string, made: MadeDeck) => keep({ slidesOf: deckId }, materialsOfSlides(made));
  const keepBankItem = (bankItemId: string, question: Question) => keep({ bankItemId }, materialsOfQuestion(question));

  return {
    keepDraft,
    keepEdition,
    keepSlides,
    keepBankItem,

    /** Titles of the lessons whose draft or an edition of which shows a material, of made slides and questions that do; by the material. */
    titlesByMaterial(materialIds: readonly string[]): ReadonlyMap<string, readonly string[]> {
      const these = inArray(materialUses.materialId, [...materialIds]);
      const materialId = materialUses.materialId;
      const inLessons = db
        .selectDistinct({
          ...{ materialId, lessonId: lessons.id },
          title: sql<string>`coalesce(${lessonSummaries.title}, case when json_valid(${lessons.draft}) then ${lessons.draft} ->> '$.title' end, '')`,
        })
        .from(materialUses)
        .leftJoin(editions, eq(editions.id, materialUses.editionId))
        .innerJoin(lessons, eq(lessons.id, sql`coalesce(${materialUses.draftOf}, ${editions.lessonId})`))
        .leftJoin(lessonSummaries, eq(lessonSummaries.lessonId, lessons.id))
        .where(these)
        .all();
      const inSlides = db
        .select({ materialId, title: materials.title })
        .from(materialUses)
        .innerJoin(materials, eq(materials.id, materialUses.slidesOf))
        .where(these)
        .all();
      const inBank = db
        .select({ materialId, title: sql<string>`${bankItems.question} ->> '$.stem'` })
        .from(materialUses)
        .innerJoin(bankItems, eq(bankItems.id, materialUses.bankItemId))
        .where(these)
        .all();
      const titles = new Map<string, string[]>();
      for (const row of [...inLessons, ...inSlides, ...inBank])
        titles.set(row.materialId, [...(titles.get(row.materialId) ?? []), row.title]);
      return titles;
    },

    /** Lessons whose draft shows a material. */
    listDrafts: (materialId: string): string[] =>
      db
        .select({ id: materialUses.draftOf })
        .from(materialUses)
        .where(eq(materialUses.materialId, materialId))
        .all()
        .flatMap(({ id }) => id ?? []),

    isInEdition(materialId: string): boolean {
      const place = and(eq(materialUses.materialId, materialId), isNotNull(materialUses.editionId));
      return db.select().from(materialUses).where(place).limit(1).get() !== undefined;
    },

    /** The editions that show a material: itself, or on slides that were made here. */
    listEditions(materialId: string): ReadonlySet<string> {
      const decksWithIt = db
        .select({ id: materialUses.slidesOf })
        .from(materialUses)
        .where(and(eq(materialUses.materialId, materialId), isNotNull(materialUses.slidesOf)));
      const place = or(eq(materialUses.materialId, materialId), inArray(materialUses.materialId, decksWithIt));
      const rows = db.select({ id: materialUses.editionId }).from(materialUses).where(place).all();
      return new Set(rows.flatMap(({ id }) => id ?? []));
    },

    /** Reads all that shows materials anew. */
    rebuild(): void {
      inTransaction(db, () => {
        db.delete(materialUses).run();
        for (const { id, draft } of db.select().from(lessons).all()) keepDraft(id, draft);
        for (const { id, content } of db.select().from(editions).all()) keepEdition(id, content);
        for (const { materialId, made } of db.select().from(decks).all()) if (made) keepSlides(materialId, made);
        for (const { id, question } of db.select().from(bankItems).all()) keepBankItem(id, question);
      });
    },
  };
}

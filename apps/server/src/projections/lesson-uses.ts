import type { Lesson } from '@semita/core/lesson';
import { eq, inArray } from 'drizzle-orm';
import { type Db, inTransaction } from '../db/open.ts';
import { editions, lessons, lessonUses } from '../db/schema.ts';

export type LessonUses = ReturnType<typeof createLessonUses>;

const innerLessonsOf = ({ parts }: Lesson): readonly string[] => [
  ...new Set(parts.flatMap((part) => (part.kind === 'lesson' ? [part.lessonId] : []))),
];

/** Which lesson is shown by which: by drafts, and by what editions were made of. */
export function createLessonUses({ db }: { readonly db: Db }) {
  const keep = (place: { draftOf: string } | { editionId: string }, lessonIds: readonly string[]): void => {
    const here = 'draftOf' in place ? eq(lessonUses.draftOf, place.draftOf) : eq(lessonUses.editionId, place.editionId);
    const before = db.select({ id: lessonUses.lessonId }).from(lessonUses).where(here).all();
    if (before.length === lessonIds.length && before.every(({ id }) => lessonIds.includes(id))) return;
    db.delete(lessonUses).where(here).run();
    const known = db
      .select({ id: lessons.id })
      .from(lessons)
      .where(inArray(lessons.id, [...lessonIds]))
      .all();
    for (const { id } of known)
      db.insert(lessonUses)
        .values({ lessonId: id, ...place })
        .run();
  };

  const keepDraft = (lessonId: string, draft: Lesson) => keep({ draftOf: lessonId }, innerLessonsOf(draft));
  const keepEdition = (editionId: string, source: Lesson) => keep({ editionId }, innerLessonsOf(source));

  return {
    keepDraft,
    keepEdition,

    /** Lessons some edition of which shows this one. */
    listByEdition: (lessonId: string): string[] =>
      db
        .selectDistinct({ id: editions.lessonId })
        .from(lessonUses)
        .innerJoin(editions, eq(editions.id, lessonUses.editionId))
        .where(eq(lessonUses.lessonId, lessonId))
        .all()
        .map(({ id }) => id),

    /** Lessons whose draft shows this one. */
    listByDraft: (lessonId: string): string[] =>
      db
        .select({ id: lessonUses.draftOf })
        .from(lessonUses)
        .where(eq(lessonUses.lessonId, lessonId))
        .all()
        .flatMap(({ id }) => id ?? []),

    /** Reads all drafts and editions anew. */
    rebuild(): void {
      inTransaction(db, () => {
        db.delete(lessonUses).run();
        for (const { id, draft } of db.select().from(lessons).all()) keepDraft(id, draft);
        for (const { id, source } of db.select().from(editions).all()) if (source) keepEdition(id, source);
      });
    },
  };
}

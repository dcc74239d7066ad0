import type { Rubric } from '@semita/core/question';
import { desc, eq } from 'drizzle-orm';
import { rubrics } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

export type RubricRepository = ReturnType<typeof createRubricRepository>;

/** Rubrics a teacher kept, to be used again. */
export function createRubricRepository({ db, clock, newId }: Pick<Deps, 'db' | 'clock' | 'newId'>) {
  return {
    list: (actor: Actor) =>
      db
        .select({ id: rubrics.id, title: rubrics.title, content: rubrics.content })
        .from(rubrics)
        .where(eq(rubrics.ownerId, actor.id))
        .orderBy(desc(rubrics.createdAt))
        .limit(100)
        .all(),

    keep(actor: Actor, title: string, content: Rubric): void {
      db.insert(rubrics).values({ id: newId(), ownerId: actor.id, title, content, createdAt: clock() }).run();
    },
  };
}

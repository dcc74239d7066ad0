import { emptyLookBack, type LookBack } from '@semita/core/analysis';
import { eq } from 'drizzle-orm';
import { lookBacks } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type LookBackRepository = ReturnType<typeof createLookBackRepository>;

/** What a teacher chose to show: whole documents, kept as they are sent. Who is shown stands in them by the id alone. */
export const createLookBackRepository = ({ db }: Pick<Deps, 'db'>) => ({
  find: (assignmentId: string): LookBack =>
    db.select().from(lookBacks).where(eq(lookBacks.assignmentId, assignmentId)).get()?.content ?? emptyLookBack,

  set(assignmentId: string, content: LookBack): void {
    db.insert(lookBacks)
      .values({ assignmentId, content })
      .onConflictDoUpdate({ target: lookBacks.assignmentId, set: { content } })
      .run();
  },
});

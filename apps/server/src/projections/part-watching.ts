import { encodeWatching } from '@semita/core/analysis';
import { eq, sql } from 'drizzle-orm';
import type { Db } from '../db/open.ts';
import { partWatching } from '../db/schema.ts';
import type { Projection } from './projection.ts';

/** How students went through each part: what they met and how often, where they paused and went back. */
export function createPartWatching({ db }: { readonly db: Db }): Projection {
  const put = db
    .insert(partWatching)
    .values({
      ...{ attemptId: sql.placeholder('attemptId'), partId: sql.placeholder('partId') },
      line: sql.placeholder('line'),
    })
    .onConflictDoUpdate({
      target: [partWatching.attemptId, partWatching.partId],
      set: { line: sql`excluded.line` },
    })
    .prepare();
  return {
    keep(attemptId, _lesson, before, after) {
      if (!before) db.delete(partWatching).where(eq(partWatching.attemptId, attemptId)).run();
      if (before?.parts === after.parts) return;
      for (const [partId, part] of Object.entries(after.parts))
        if (part !== before?.parts[partId]) put.run({ attemptId, partId, line: encodeWatching(part) });
    },
  };
}

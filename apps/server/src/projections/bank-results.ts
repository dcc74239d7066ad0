import { bankResultsOf } from '@semita/core/analysis';
import { eq, sql } from 'drizzle-orm';
import type { Db } from '../db/open.ts';
import { bankResults } from '../db/schema.ts';
import type { Projection } from './projection.ts';

/** What students earned with questions of the bank when they first met them. */
export function createBankResults({ db }: { readonly db: Db }): Projection {
  const insert = db
    .insert(bankResults)
    .values({
      ...{ itemId: sql.placeholder('itemId'), attemptId: sql.placeholder('attemptId') },
      ...{ questionId: sql.placeholder('questionId'), earned: sql.placeholder('earned') },
      possible: sql.placeholder('possible'),
    })
    .onConflictDoUpdate({
      target: [bankResults.attemptId, bankResults.questionId],
      set: { earned: sql`excluded.earned`, possible: sql`excluded.possible` },
    })
    .prepare();
  return {
    keep(attemptId, lesson, before, after) {
      if (before?.stops === after.stops) return;
      if (!before) db.delete(bankResults).where(eq(bankResults.attemptId, attemptId)).run();
      const known = new Set((before ? bankResultsOf(lesson, before) : []).map((one) => JSON.stringify(one)));
      for (const result of bankResultsOf(lesson, after))
        if (!known.has(JSON.stringify(result))) insert.run({ ...result, attemptId });
    },
  };
}

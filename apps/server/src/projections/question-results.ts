import { givenAnswersSince } from '@semita/core/analysis';
import { and, eq, sql } from 'drizzle-orm';
import type { Db } from '../db/open.ts';
import { questionResults } from '../db/schema.ts';
import type { Projection } from './projection.ts';

/** What students did with each question: points, tries, time and how sure they were. */
export function createQuestionResults({ db }: { readonly db: Db }): Projection {
  const removeStop = db
    .delete(questionResults)
    .where(
      and(
        eq(questionResults.attemptId, sql.placeholder('attemptId')),
        eq(questionResults.stopId, sql.placeholder('stopId')),
      ),
    )
    .prepare();
  const insert = db
    .insert(questionResults)
    .values({
      ...{ attemptId: sql.placeholder('attemptId'), stopId: sql.placeholder('stopId') },
      ...{ questionId: sql.placeholder('questionId'), points: sql.placeholder('points') },
      ...{ possible: sql.placeholder('possible'), tries: sql.placeholder('tries') },
      ...{ hinted: sql.placeholder('hinted'), stopSpentMs: sql.placeholder('stopSpentMs') },
      confidence: sql.placeholder('confidence'),
      ...{ firstPoints: sql.placeholder('firstPoints'), picked: sql.placeholder('picked') },
    })
    .prepare();
  return {
    keep(attemptId, lesson, before, after) {
      if (before?.stops === after.stops) return;
      if (!before) db.delete(questionResults).where(eq(questionResults.attemptId, attemptId)).run();
      for (const [stopId, answers] of givenAnswersSince(lesson, before, after)) {
        // Drafts change a stop again and again; there is nothing to write anew until something was given.
        const hadAnswers = Object.keys(before?.stops[stopId]?.answers ?? {}).length > 0;
        if (hadAnswers) removeStop.run({ attemptId, stopId });
        for (const answer of answers) {
          const picked = answer.picked.length > 0 ? JSON.stringify(answer.picked) : null;
          insert.run({ attemptId, ...answer, picked });
        }
      }
    },
  };
}

import type { KeptResult } from '@semita/core/analysis';
import { reducerVersion } from '@semita/core/attempt';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { Db } from '../../db/open.ts';
import { attempts, classStudents, partWatching, questionResults, users } from '../../db/schema.ts';

export type FollowingRepository = ReturnType<typeof createFollowingRepository>;

/** A result, by the attempt it stands in. */
export interface StoredResult extends Omit<KeptResult, 'studentId' | 'hasLeft'> {
  readonly attemptId: string;
}

interface Options {
  readonly db: Db;
  readonly computeAnew: (attemptId: string) => void;
}

/** Reads what is kept of attempts beside their states. */
export function createFollowingRepository({ db, computeAnew }: Options) {
  /** The ids stand in one parameter, however many there are. */
  const among = inArray(attempts.id, sql`(select value from json_each(${sql.placeholder('attemptIds')}))`);
  const isStale = sql<number>`${attempts.reducer} <> ${reducerVersion}`;
  const results = db
    .select({
      ...{ attemptId: attempts.id, isStale, stopId: questionResults.stopId },
      ...{ questionId: questionResults.questionId, firstPoints: questionResults.firstPoints },
      ...{ possible: questionResults.possible, stopSpentMs: questionResults.stopSpentMs },
      ...{ confidence: questionResults.confidence, picked: questionResults.picked },
    })
    .from(attempts)
    .leftJoin(questionResults, eq(questionResults.attemptId, attempts.id))
    .where(among)
    .orderBy(asc(attempts.id), asc(questionResults.stopId), asc(questionResults.questionId))
    .prepare();
  const lines = db
    .select({ attemptId: attempts.id, isStale, partId: partWatching.partId, line: partWatching.line })
    .from(attempts)
    .leftJoin(partWatching, eq(partWatching.attemptId, attempts.id))
    .where(among)
    .orderBy(asc(attempts.id), asc(partWatching.partId))
    .prepare();
  const picksOfJson = new Map<string, readonly string[]>();

  /** Most of a class picks one of a few things: each list of them is read once. */
  const readPicks = (json: string | null): readonly string[] => {
    if (json === null) return [];
    const known = picksOfJson.get(json);
    if (known) return known;
    if (picksOfJson.size > 10_000) picksOfJson.clear();
    const picks = JSON.parse(json) as readonly string[];
    picksOfJson.set(json, picks);
    return picks;
  };

  /** What an older program kept less of is computed anew, and read then. */
  const fresh = <Row extends { readonly attemptId: string; readonly isStale: number }>(read: () => Row[]): Row[] => {
    const rows = read();
    const stale = new Set(rows.flatMap((row) => (row.isStale ? [row.attemptId] : [])));
    for (const id of stale) computeAnew(id);
    return stale.size === 0 ? rows : read();
  };

  return {
    /** A student of a class; undefined for whom it does not have. */
    findStudent: (classId: string, studentId: string) =>
      db
        .select({ id: users.id, displayName: users.displayName })
        .from(classStudents)
        .innerJoin(users, eq(users.id, classStudents.studentId))
        .where(and(eq(classStudents.classId, classId), eq(classStudents.studentId, studentId)))
        .get(),

    listResults: (attemptIds: readonly string[]): StoredResult[] =>
      fresh(() => results.all({ attemptIds: JSON.stringify(attemptIds) })).flatMap(
        ({ isStale: _, stopId, questionId, possible, picked, ...result }) =>
          stopId === null || questionId === null || possible === null
            ? []
            : [{ ...result, stopId, questionId, possible, picked: readPicks(picked) }],
      ),

    listWatching: (attemptIds: readonly string[]) =>
      fresh(() => lines.all({ attemptIds: JSON.stringify(attemptIds) })).flatMap(({ attemptId, partId, line }) =>
        partId === null || line === null ? [] : [{ attemptId, partId, line }],
      ),
  };
}

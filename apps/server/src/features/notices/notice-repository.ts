import type { DueNotice } from '@semita/core/notice';
import { and, desc, eq, inArray, isNull, lt, sql } from 'drizzle-orm';
import { notices } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type NoticeRepository = ReturnType<typeof createNoticeRepository>;

/** Longer than a term: what is older is nobody's news. */
const keptMs = 150 * 24 * 3_600_000;
/** As many as anybody goes back to. */
const shownCount = 50;

/** What people were told. */
export function createNoticeRepository({ db, clock, newId }: Pick<Deps, 'db' | 'clock' | 'newId'>) {
  return {
    /** Tells somebody something, if they were not told already. */
    add(userId: string, assignmentId: string, { kind, key, about }: DueNotice): void {
      db.insert(notices)
        .values({ id: newId(), userId, assignmentId, kind, key, about, createdAt: clock() })
        .onConflictDoNothing()
        .run();
    },

    clearOld(): void {
      db.delete(notices)
        .where(lt(notices.createdAt, clock() - keptMs))
        .run();
    },

    /** The latest of somebody, the latest first. */
    list: (userId: string) =>
      db
        .select()
        .from(notices)
        .where(eq(notices.userId, userId))
        .orderBy(desc(notices.createdAt), desc(notices.id))
        .limit(shownCount)
        .all(),

    countUnread: (userId: string): number =>
      db
        .select({ count: sql<number>`count(*)` })
        .from(notices)
        .where(and(eq(notices.userId, userId), isNull(notices.readAt)))
        .get()?.count ?? 0,

    /** @param ids of their own; all where nobody says */
    markRead(userId: string, ids?: readonly string[]): void {
      db.update(notices)
        .set({ readAt: clock() })
        .where(
          and(
            eq(notices.userId, userId),
            isNull(notices.readAt),
            ids === undefined ? undefined : inArray(notices.id, [...ids]),
          ),
        )
        .run();
    },
  };
}

import { lt } from 'drizzle-orm';
import { securityEvents } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type SecurityKind = (typeof securityEvents.$inferSelect)['kind'];
export type SecurityLog = ReturnType<typeof createSecurityLog>;

/** Kept for half a year: long enough to look into what happened in a term. */
const keptMs = 183 * 24 * 3_600_000;
/** Of failures and refusals of one kind so many a minute are written; more say nothing new. */
const maxPerMinute = 60;
const bounded: readonly SecurityKind[] = ['signInFailed', 'signInDelayed', 'refused'];

/** What happened to accounts and rights. Holds ids and codes, never names, addresses or what somebody typed. */
export function createSecurityLog({ db, clock, newId, log }: Pick<Deps, 'db' | 'clock' | 'newId' | 'log'>) {
  const counts = new Map<SecurityKind, { minute: number; count: number }>();

  const isTooMany = (kind: SecurityKind, now: number): boolean => {
    const minute = Math.floor(now / 60_000);
    const before = counts.get(kind);
    const count = before?.minute === minute ? before.count + 1 : 1;
    counts.set(kind, { minute, count });
    return count > maxPerMinute;
  };

  return {
    /**
     * @param userId about whom
     * @param byId who did it, where that was somebody else
     */
    record(kind: SecurityKind, userId: string | null, detail: string | null = null, byId: string | null = null): void {
      const at = clock();
      if (bounded.includes(kind) && isTooMany(kind, at)) return;
      try {
        db.insert(securityEvents).values({ id: newId(), at, kind, userId, detail, byId }).run();
        db.delete(securityEvents)
          .where(lt(securityEvents.at, at - keptMs))
          .run();
      } catch (error) {
        // Nobody is kept out because it cannot be written down.
        log.error({ err: error, kind }, 'security event not kept');
      }
    },
  };
}

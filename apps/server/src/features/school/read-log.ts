import type { LogQuery, SchoolLog } from '@semita/core/contract';
import { and, desc, eq, inArray, lt, or } from 'drizzle-orm';
import { alias } from 'drizzle-orm/sqlite-core';
import { securityEvents, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

const pageSize = 100;

/** What happened to accounts and rights at a school, the latest first. */
export function createReadLog({ db }: Pick<Deps, 'db'>) {
  const about = alias(users, 'about');
  const by = alias(users, 'by_whom');
  return ({ schoolId }: Actor, { kinds, userId, before }: LogQuery): SchoolLog => {
    const { at, kind, detail, id } = securityEvents;
    const rows = db
      .select({
        ...{ id, at, kind, detail, aboutId: about.id, aboutName: about.displayName },
        ...{ byId: by.id, byName: by.displayName },
      })
      .from(securityEvents)
      .leftJoin(about, eq(about.id, securityEvents.userId))
      .leftJoin(by, eq(by.id, securityEvents.byId))
      .where(
        and(
          or(eq(about.schoolId, schoolId), eq(by.schoolId, schoolId)),
          kinds && kinds.length > 0 ? inArray(kind, [...kinds]) : undefined,
          userId === undefined ? undefined : or(eq(about.id, userId), eq(by.id, userId)),
          before && or(lt(at, before.at), and(eq(at, before.at), lt(id, before.id))),
        ),
      )
      .orderBy(desc(at), desc(id))
      .limit(pageSize + 1)
      .all();
    return {
      events: rows.slice(0, pageSize).map(({ aboutId, aboutName, byId, byName, ...event }) => ({
        ...event,
        about: aboutId === null ? null : { id: aboutId, displayName: aboutName ?? '' },
        by: byId === null ? null : { id: byId, displayName: byName ?? '' },
      })),
      hasMore: rows.length > pageSize,
    };
  };
}

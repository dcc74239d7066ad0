import type { Terms } from '@semita/core/attempt';
import { and, asc, desc, eq } from 'drizzle-orm';
import { assignments, termPresets } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

export type TermPresets = ReturnType<typeof createTermPresets>;

/** Terms that each teacher gives with again; nobody sees another's. */
export function createTermPresets({ db, clock, newId }: Pick<Deps, 'db' | 'clock' | 'newId'>) {
  return {
    /** Those of the last time, without the language of numbers, which is the class's; and those that were kept. */
    list({ id }: Actor) {
      const row = db
        .select({ terms: assignments.terms })
        .from(assignments)
        .where(eq(assignments.createdBy, id))
        // Of a series, the first step: an extra may stand at its end.
        .orderBy(desc(assignments.createdAt), asc(assignments.seriesPlace))
        .limit(1)
        .get();
      const presets = db
        .select({ id: termPresets.id, name: termPresets.name, terms: termPresets.terms })
        .from(termPresets)
        .where(eq(termPresets.ownerId, id))
        .orderBy(asc(termPresets.name))
        .all();
      return { last: row ? withoutLocale(row.terms) : null, presets };
    },

    /** In the place of one of the same name. */
    keep({ id: ownerId }: Actor, name: string, terms: Terms): void {
      const place = and(eq(termPresets.ownerId, ownerId), eq(termPresets.name, name));
      const kept = withoutLocale(terms);
      if (db.update(termPresets).set({ terms: kept }).where(place).run().changes > 0) return;
      db.insert(termPresets).values({ id: newId(), ownerId, name, terms: kept, createdAt: clock() }).run();
    },

    remove(presetId: string): void {
      db.delete(termPresets).where(eq(termPresets.id, presetId)).run();
    },
  };
}

function withoutLocale({ locale: _, ...terms }: Terms): Terms {
  return terms;
}

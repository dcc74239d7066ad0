import { and, asc, eq } from 'drizzle-orm';
import { phrases } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';

export type PhraseRepository = ReturnType<typeof createPhraseRepository>;

/** What each teacher says often while marking; nobody sees another's. */
export function createPhraseRepository({ db, clock, newId }: Pick<Deps, 'db' | 'clock' | 'newId'>) {
  const shown = { id: phrases.id, text: phrases.text };
  return {
    list: (actor: Actor) =>
      db.select(shown).from(phrases).where(eq(phrases.ownerId, actor.id)).orderBy(asc(phrases.createdAt)).all(),

    add(actor: Actor, text: string): { id: string; text: string } {
      const same = and(eq(phrases.ownerId, actor.id), eq(phrases.text, text));
      const kept = db.select(shown).from(phrases).where(same).get();
      if (kept) return kept;
      const phrase = { id: newId(), text };
      db.insert(phrases)
        .values({ ...phrase, ownerId: actor.id, createdAt: clock() })
        .run();
      return phrase;
    },

    /** @returns whether there was such a phrase */
    remove: (actor: Actor, phraseId: string): boolean =>
      db
        .delete(phrases)
        .where(and(eq(phrases.id, phraseId), eq(phrases.ownerId, actor.id)))
        .run().changes > 0,
  };
}

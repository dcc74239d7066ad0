import { seenDifficulty } from '@semita/core/analysis';
import type { BankItem } from '@semita/core/contract';
import type { Question } from '@semita/core/question';
import { and, desc, eq, inArray } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { bankItems, bankResults } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { MaterialUses } from '../../projections/material-uses.ts';
import type { Actor } from '../accounts/session-service.ts';

export type BankRepository = ReturnType<typeof createBankRepository>;

/** A question as it goes into the bank. */
export interface BankEntry {
  readonly question: Question;
  readonly tags: readonly string[];
}

interface Options extends Pick<Deps, 'db'> {
  readonly uses: Pick<MaterialUses, 'keepBankItem'>;
}

/** A teacher's questions, and how hard they have proved wherever they were asked. */
export function createBankRepository({ db, uses }: Options) {
  const owned = (actor: Actor) => eq(bankItems.ownerId, actor.id);

  return {
    insert(row: typeof bankItems.$inferInsert): void {
      inTransaction(db, () => {
        db.insert(bankItems).values(row).run();
        uses.keepBankItem(row.id, row.question);
      });
    },

    update(actor: Actor, itemId: string, entry: BankEntry, at: number): boolean {
      const change = { question: entry.question, tags: entry.tags, updatedAt: at };
      const place = and(owned(actor), eq(bankItems.id, itemId));
      return inTransaction(db, () => {
        const isThere = db.update(bankItems).set(change).where(place).run().changes > 0;
        if (isThere) uses.keepBankItem(itemId, entry.question);
        return isThere;
      });
    },

    remove(actor: Actor, itemId: string): boolean {
      return (
        db
          .delete(bankItems)
          .where(and(owned(actor), eq(bankItems.id, itemId)))
          .run().changes > 0
      );
    },

    list(actor: Actor): BankItem[] {
      const results = new Map<string, { earned: number; possible: number }[]>();
      const rows = db
        .select({ itemId: bankResults.itemId, earned: bankResults.earned, possible: bankResults.possible })
        .from(bankResults)
        .innerJoin(bankItems, eq(bankItems.id, bankResults.itemId))
        .where(owned(actor))
        .all();
      for (const { itemId, ...result } of rows) results.set(itemId, [...(results.get(itemId) ?? []), result]);
      return db
        .select()
        .from(bankItems)
        .where(owned(actor))
        .orderBy(desc(bankItems.createdAt), desc(bankItems.id))
        .all()
        .map(({ id, question, tags, updatedAt }) => ({
          ...{ id, question, tags: [...tags], updatedAt },
          seen: seenDifficulty(results.get(id) ?? []),
        }));
    },

    /** Those of the ids that are the actor's, in the order of the ids. */
    listByIds(actor: Actor, ids: readonly string[]): (BankEntry & { readonly id: string })[] {
      const rows = db
        .select()
        .from(bankItems)
        .where(and(owned(actor), inArray(bankItems.id, [...ids])))
        .all();
      return ids.flatMap((id) => rows.find((row) => row.id === id) ?? []);
    },
  };
}

import { materialsOfQuestion } from '@semita/core/lesson';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { BankEntry, BankRepository } from './bank-repository.ts';

export type BankService = ReturnType<typeof createBankService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId'> {
  readonly repository: BankRepository;
  readonly areOwned: (actor: Actor, materialIds: readonly string[]) => boolean;
}

/** A teacher's question bank. */
export function createBankService({ db, repository, areOwned, clock, newId }: Options) {
  const assertOwnMaterials = (actor: Actor, entries: readonly BankEntry[]) => {
    const materialIds = entries.flatMap(({ question }) => materialsOfQuestion(question));
    if (!areOwned(actor, materialIds)) throw new Refused('changeImpossible', { reason: 'materialMissing' });
  };

  return {
    list: (actor: Actor) => repository.list(actor),

    /** @throws Refused changeImpossible when a question shows what is not on the teacher's shelf */
    put(actor: Actor, entries: readonly BankEntry[]): { ids: string[] } {
      assertOwnMaterials(actor, entries);
      const now = clock();
      const { schoolId, id: ownerId } = actor;
      const rows = entries.map(({ question, tags }) => ({
        ...{ id: newId(), schoolId, ownerId, question: unbanked(question), tags, createdAt: now, updatedAt: now },
      }));
      inTransaction(db, () => {
        for (const row of rows) repository.insert(row);
      });
      return { ids: rows.map(({ id }) => id) };
    },

    change(actor: Actor, itemId: string, entry: BankEntry): void {
      assertOwnMaterials(actor, [entry]);
      const changed = repository.update(actor, itemId, { ...entry, question: unbanked(entry.question) }, clock());
      found(changed || undefined);
    },

    /** Lessons that took the question keep it. */
    remove(actor: Actor, itemId: string): void {
      found(repository.remove(actor, itemId) || undefined);
    },
  };
}

/** In the bank a question is its own source. */
function unbanked(question: BankEntry['question']): BankEntry['question'] {
  const { bankItemId: _, ...own } = question;
  return own as BankEntry['question'];
}

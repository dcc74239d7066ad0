import { isDeepStrictEqual } from 'node:util';
import { decodeSheetRow, sheetRowOf } from '@semita/core/sheet';
import { v7 } from 'uuid';
import { type Db, inTransaction } from '../../db/open.ts';
import { createProjections } from '../../projections/all-projections.ts';
import { createAssignedLessons } from '../assignments/assigned-lessons.ts';
import { createRecipientRepository } from '../assignments/recipient-repository.ts';
import { createAttemptRepository } from './attempt-repository.ts';
import { createAttemptStates } from './attempt-states.ts';

/**
 * Computes every attempt's state anew from its log.
 * @returns how many attempts there are, and the ids of those whose stored state, with the events since, was another
 */
export function rebuildStates(db: Db): { attempts: number; changed: string[] } {
  const repository = createAttemptRepository({ db });
  const recipients = createRecipientRepository({ db, newId: v7 });
  const { contextOf } = createAssignedLessons({ db, recipients });
  const projections = createProjections({ db });
  const states = createAttemptStates({ db, repository, contextOf, projections });
  const changed: string[] = [];
  const all = repository.listIds();
  for (const attemptId of all) {
    inTransaction(db, () => {
      const stored = repository.getStored(attemptId);
      const storedRow = readOrNull(() => decodeSheetRow(repository.getRow(attemptId)));
      const { lesson } = contextOf(stored);
      const state = states.replayed(attemptId);
      for (const projection of projections) projection.keep(attemptId, lesson, null, state);
      const row = sheetRowOf(lesson, state);
      const before = readOrNull(() => states.load(attemptId).state);
      if (!isDeepStrictEqual(row, storedRow) || !isDeepStrictEqual(before, state)) changed.push(attemptId);
      // Outlines are written anew in any case.
      repository.saveState(attemptId, state, row);
    });
  }
  return { attempts: all.length, changed };
}

/** What an older program stored may be of any shape; then it is another state, whatever is wrong with it. */
function readOrNull<T>(read: () => T): T | null {
  try {
    return read();
  } catch (error) {
    if (error instanceof TypeError || error instanceof SyntaxError) return null;
    throw error;
  }
}

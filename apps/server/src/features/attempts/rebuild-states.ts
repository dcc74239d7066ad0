import { beginAttempt, encodeSheetRow, sheetRowOf, takeInAll } from '@semita/core';
import type { Db } from '../../db/open.ts';
import { inTransaction } from '../../db/open.ts';
import { createAssignmentRepository } from '../assignments/assignment-repository.ts';
import { createBankRepository } from '../bank/bank-repository.ts';
import { createAttemptRepository } from './attempt-repository.ts';

/**
 * Computes every attempt's state anew from its log.
 * @returns how many attempts there are, and the ids of those whose stored state was another
 */
export function rebuildStates(db: Db): { attempts: number; changed: string[] } {
  const attempts = createAttemptRepository({ db });
  const assignments = createAssignmentRepository({ db });
  const bank = createBankRepository({ db });
  const changed: string[] = [];
  const all = attempts.listAll();
  for (const { attemptId, assignmentId, begunAt, sheetRow } of all) {
    const { context } = assignments.getLesson(assignmentId);
    inTransaction(db, () => {
      const stored = attempts.getState(attemptId);
      const state = takeInAll(context, beginAttempt(begunAt, context.terms.maxRate), attempts.readLog(attemptId));
      bank.keepResults(attemptId, context.lesson, null, state);
      const row = encodeSheetRow(sheetRowOf(context.lesson, state));
      if (JSON.stringify(stored) === JSON.stringify(state) && row === sheetRow) return;
      changed.push(attemptId);
      attempts.saveState(attemptId, state, row);
    });
  }
  return { attempts: all.length, changed };
}

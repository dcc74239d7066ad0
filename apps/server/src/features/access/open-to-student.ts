import { windowPhase } from '@semita/core/assignment';
import type { Deps } from '../../deps.ts';
import type { MaterialUses } from '../../projections/material-uses.ts';
import type { Received, ReceivedAssignments } from '../assignments/received-assignments.ts';
import type { AttemptRepository } from '../attempts/attempt-repository.ts';

interface Options extends Pick<Deps, 'clock'> {
  readonly uses: Pick<MaterialUses, 'listEditions'>;
  readonly received: Pick<ReceivedAssignments, 'list'>;
  readonly attempts: Pick<AttemptRepository, 'findLatest'>;
  /** Whether a question that came back to a student shows a material. */
  readonly isInReview: (studentId: string, materialId: string) => boolean;
  /** Whether a step of a series waits for another. */
  readonly waits: (studentId: string, assignmentId: string) => boolean;
}

/** Whether a material is shown by what was given to a student and is open to them, or was begun. */
export const createOpenToStudent =
  ({ uses, clock, received, attempts, isInReview, waits }: Options) =>
  (studentId: string, materialId: string): boolean => {
    const showing = uses.listEditions(materialId);
    const isOpen = ({ assignment, terms }: Received): boolean => {
      const begun = attempts.findLatest(assignment.id, studentId);
      if (!showing.has(assignment.editionId) && !(begun && showing.has(begun.editionId))) return false;
      const phase = windowPhase(terms.window, clock());
      if (phase === 'notYetOpen') return false;
      // What was begun can be looked at when it has closed, also by who has left.
      return begun !== undefined || (phase !== 'closed' && !waits(studentId, assignment.id));
    };
    return (showing.size > 0 && received.list(studentId).some(isOpen)) || isInReview(studentId, materialId);
  };

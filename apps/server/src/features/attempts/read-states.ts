import type { AttemptState } from '@semita/core/attempt';
import type { SheetLine } from '@semita/core/sheet';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { ListedAttempt } from '../assignments/sheet-repository.ts';
import type { EventIntake } from './event-intake.ts';

export type ReadStates = ReturnType<typeof createReadStates>;

interface Options {
  readonly sheetOf: Pick<AssignmentService, 'listStudents'>;
  readonly intake: Pick<EventIntake, 'readStates'>;
}

export interface StudentState {
  readonly student: SheetLine;
  /** The one that counts. */
  readonly attempt: ListedAttempt;
  readonly state: AttemptState;
}

/** Reads the states of all who have begun an assignment, whom a teacher follows; of some, where those are known. */
export const createReadStates =
  ({ sheetOf, intake }: Options) =>
  (actor: Actor, assignmentId: string, lines = sheetOf.listStudents(actor, assignmentId)): StudentState[] => {
    const begun = lines.flatMap(({ line, counted }) => (counted ? [{ line, counted }] : []));
    const states = intake.readStates(begun.map(({ counted }) => counted.attemptId));
    return begun.flatMap(({ line, counted }) => {
      const state = states.get(counted.attemptId);
      return state ? [{ student: line, attempt: counted, state }] : [];
    });
  };

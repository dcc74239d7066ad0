import type { AttemptState } from '@semita/core/attempt';
import type { SheetLine } from '@semita/core/sheet';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { AttemptRepository } from './attempt-repository.ts';
import type { EventIntake } from './event-intake.ts';

export type ReadStates = ReturnType<typeof createReadStates>;

interface Options {
  readonly sheetOf: Pick<AssignmentService, 'listStudents'>;
  readonly attempts: Pick<AttemptRepository, 'listByAssignment'>;
  readonly intake: Pick<EventIntake, 'readStates'>;
}

export interface StudentState {
  readonly student: SheetLine;
  readonly attemptId: string;
  readonly state: AttemptState;
}

/** Reads the states of all who have begun an assignment, for a teacher of its class. */
export const createReadStates =
  ({ sheetOf, attempts, intake }: Options) =>
  (actor: Actor, assignmentId: string): StudentState[] => {
    const students = sheetOf.listStudents(actor, assignmentId);
    const attemptIds = attempts.listByAssignment(assignmentId);
    const states = intake.readStates(students.flatMap(({ studentId }) => attemptIds.get(studentId) ?? []));
    return students.flatMap((student) => {
      const attemptId = attemptIds.get(student.studentId);
      const state = attemptId && states.get(attemptId);
      return state ? [{ student, attemptId, state }] : [];
    });
  };

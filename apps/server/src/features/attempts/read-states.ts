import type { AttemptState } from '@semita/core';
import type { SheetStudent } from '@semita/core/contract';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { AttemptRepository } from './attempt-repository.ts';
import type { EventIntake } from './event-intake.ts';

export type ReadStates = ReturnType<typeof createReadStates>;

interface Options {
  readonly sheetOf: Pick<AssignmentService, 'readSheet'>;
  readonly attempts: Pick<AttemptRepository, 'findByStudent'>;
  readonly intake: Pick<EventIntake, 'readState'>;
}

/** Reads the states of all who have begun an assignment, for a teacher of its class. */
export const createReadStates =
  ({ sheetOf, attempts, intake }: Options) =>
  (actor: Actor, assignmentId: string): { student: SheetStudent; state: AttemptState }[] =>
    sheetOf.readSheet(actor, assignmentId).students.flatMap((student) => {
      const attempt = attempts.findByStudent(assignmentId, student.studentId);
      return attempt ? [{ student, state: intake.readState(attempt.attemptId) }] : [];
    });

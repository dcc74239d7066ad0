import { type AttemptEvent, findStop, type Lesson, type TeacherEventBody, teacherSittingId } from '@semita/core';
import type { AttemptDetail } from '@semita/core/contract';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignmentRepository } from '../assignments/assignment-repository.ts';
import type { AssignmentService } from '../assignments/assignment-service.ts';
import type { AttemptRepository } from './attempt-repository.ts';
import type { EventIntake } from './event-intake.ts';

export type MarkingService = ReturnType<typeof createMarkingService>;

interface Options extends Pick<Deps, 'clock' | 'newId'> {
  readonly assignments: AssignmentRepository;
  readonly sheetOf: Pick<AssignmentService, 'readStudent'>;
  readonly attempts: AttemptRepository;
  readonly intake: EventIntake;
}

export interface MarkInput {
  readonly stopId: string;
  readonly questionId: string;
  readonly points: number;
  readonly comment: string;
}

/** The teacher's side of an attempt: reading it and marking it. */
export function createMarkingService({ clock, newId, assignments, sheetOf, attempts, intake }: Options) {
  const readAttempt = (actor: Actor, assignmentId: string, studentId: string): AttemptDetail => {
    const student = sheetOf.readStudent(actor, assignmentId, studentId);
    const attempt = attempts.findByStudent(assignmentId, studentId);
    return {
      student,
      lesson: assignments.getLesson(assignmentId).lesson,
      state: attempt ? intake.readState(attempt.attemptId) : null,
    };
  };

  return {
    readAttempt,

    /**
     * Gives points and a comment to one answer; both go into the log. An empty comment takes the old one away.
     * @throws Refused answerMissing when there is nothing to mark, pointsOutOfRange
     */
    async mark(actor: Actor, assignmentId: string, studentId: string, input: MarkInput): Promise<AttemptDetail> {
      const { state, lesson } = readAttempt(actor, assignmentId, studentId);
      const attempt = found(attempts.findByStudent(assignmentId, studentId));
      const { stopId, questionId, points, comment } = input;
      const answer = state?.stops[stopId]?.answers[questionId];
      if (!answer) throw new Refused('answerMissing');
      // Before anything is written: points and comment are taken together or not at all.
      if (points > pointsPossible(lesson, stopId, questionId)) throw new Refused('pointsOutOfRange');
      const on = { stopId, questionId, by: actor.id };
      const bodies: TeacherEventBody[] = [{ type: 'marked', ...on, points }];
      if (comment !== (answer.comment ?? '')) bodies.push({ type: 'commented', ...on, text: comment });
      const at = clock();
      const { outcomes } = await intake.take(attempt, (current) =>
        bodies.map((body, index): AttemptEvent => {
          const n = (current.intake.next[teacherSittingId] ?? 0) + index;
          return { ...body, id: newId(), sittingId: teacherSittingId, n, at, receivedAt: at };
        }),
      );
      if (outcomes.some((outcome) => outcome.kind === 'refused')) throw new Refused('answerMissing');
      return readAttempt(actor, assignmentId, studentId);
    },
  };
}

function pointsPossible(lesson: Lesson, stopId: string, questionId: string): number {
  const stop = findStop(lesson, stopId)?.stop;
  const question = stop?.kind === 'checkpoint' ? stop.questions.find(({ id }) => id === questionId) : undefined;
  return question?.points ?? 0;
}

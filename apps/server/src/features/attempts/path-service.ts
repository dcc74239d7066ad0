import { walkedPaths } from '@semita/core/analysis';
import type { WalkedPath } from '@semita/core/contract';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignedLessons } from '../assignments/assigned-lessons.ts';
import type { ReadStates } from './read-states.ts';

export type PathService = ReturnType<typeof createPathService>;

interface Options {
  readonly given: Pick<AssignedLessons, 'getLesson'>;
  readonly readStates: ReadStates;
}

/** Where the students of an assignment went. */
export function createPathService({ given, readStates }: Options) {
  return {
    readWalkedPath(actor: Actor, assignmentId: string): WalkedPath {
      const states = readStates(actor, assignmentId);
      const { lesson } = given.getLesson(assignmentId);
      const walks = states.map(({ student: { studentId }, state }) => ({ studentId, state }));
      return {
        lesson,
        names: Object.fromEntries(states.map(({ student }) => [student.studentId, student.displayName])),
        walked: walkedPaths(lesson, walks),
      };
    },
  };
}

import type { Lesson } from '../lesson/lesson.ts';
import { markResponse } from '../marking/mark-response.ts';
import type { Terms } from './terms.ts';
import type { WalkContext } from './walk-lesson.ts';

/** The context of the server and of rehearsals, where the keys are known. */
export function createContext(lesson: Lesson, terms: Terms): WalkContext {
  const questions = new Map(
    lesson.parts
      .flatMap((part) => part.stops)
      .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : []))
      .map((question) => [question.id, question]),
  );
  return {
    lesson,
    terms,
    mark: (questionId, response) => {
      const question = questions.get(questionId);
      return question ? markResponse(question, response, terms.locale) : null;
    },
  };
}

import { tellsAtOnce } from '../assignment/shown-now.ts';
import type { Terms } from '../attempt/terms.ts';
import type { Lesson } from '../lesson/lesson.ts';
import { markResponse } from '../marking/mark-response.ts';
import type { Question } from '../question/question.ts';
import type { WalkContext } from '../walk/walk-lesson.ts';
import { applyKeyChanges, type KeyChange } from './apply-key-changes.ts';
import { ownLesson } from './own-lesson.ts';

/**
 * The context of the server and of rehearsals, where the keys are known.
 * @param changes of keys, in the order they were made
 */
export function createContext(
  lesson: Lesson,
  terms: Terms,
  changes: readonly KeyChange[] = [],
): WalkContext & { readonly lesson: Lesson } {
  const original = questionsById(lesson);
  const withKeys = applyKeyChanges(lesson, changes);
  return {
    // A second try tells that the first was wrong.
    lesson: tellsAtOnce(terms.shown) ? withKeys : withoutTries(withKeys),
    terms,
    own: ownLesson,
    mark: (questionId, response, at) => {
      const change = changes.findLast((one) => one.question.id === questionId && one.at <= at);
      const question = change?.question ?? original.get(questionId);
      return question ? markResponse(question, response, terms.locale) : null;
    },
  };
}

function questionsById(lesson: Lesson): ReadonlyMap<string, Question> {
  const questions = lesson.parts
    .flatMap((part) => part.stops)
    .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : []));
  return new Map(questions.map((question) => [question.id, question]));
}

function withoutTries(lesson: Lesson): Lesson {
  const once = ({ tries: _, ...question }: Question): Question => question as Question;
  return {
    ...lesson,
    parts: lesson.parts.map((part) => ({
      ...part,
      stops: part.stops.map((stop) =>
        stop.kind === 'checkpoint' ? { ...stop, questions: stop.questions.map(once) } : stop,
      ),
    })),
  };
}

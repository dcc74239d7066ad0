import type { Lesson } from '../lesson/lesson.ts';
import { untimedWindow } from '../lesson/lesson.ts';
import type { Question } from '../question/question.ts';

/**
 * A lesson of nothing but questions, each a stop of its own. Every question is asked once and without a clock: what
 * is looked for is whether it is still known.
 */
export function reviewLesson(title: string, questions: readonly Question[]): Lesson {
  const stops = questions.map((question, index) => ({
    ...{ id: `stop-${index + 1}`, kind: 'checkpoint' as const, atMs: 0, required: true },
    questions: [asked(question, reviewQuestionId(index))],
  }));
  return { title, parts: [{ id: 'questions', kind: 'task', title, ...untimedWindow, stops }] };
}

/** What a question is called in a review, by its place from 0: two of different lessons may have the same id. */
export const reviewQuestionId = (index: number): string => `question-${index + 1}`;

function asked(question: Question, id: string): Question {
  const { tries: _, timeLimitMs: __, comparedWith: ___, bankItemId: ____, mayBeBlank: _____, ...rest } = question;
  return { ...rest, id } as Question;
}

import type { Lesson } from '../lesson/lesson.ts';
import type { Question } from '../question/question.ts';

/** A lesson whose one stop stands at its beginning and asks these questions. */
export function lessonOf(questions: readonly Question[], required = true): Lesson {
  return {
    title: 'All kinds',
    parts: [
      {
        ...{ id: 'part', kind: 'clip', title: 'Film', materialId: 'film', inMs: 0, outMs: 10_000 },
        stops: [{ id: 'stop', kind: 'checkpoint', atMs: 0, required, questions }],
      },
    ],
  };
}

import type { Lesson } from '../lesson/lesson.ts';
import type { Question } from '../question/question.ts';

/** A question whose key was put right after students had answered it. */
export interface KeyChange {
  readonly question: Question;
  /** Server clock, epoch ms: what was answered before was marked by the key before, and then anew by an event. */
  readonly at: number;
}

/** The lesson with its keys as they stand after changes that were made up to a moment. */
export function applyKeyChanges(
  lesson: Lesson,
  changes: readonly KeyChange[],
  until: number = Number.POSITIVE_INFINITY,
): Lesson {
  const latest = new Map(changes.filter(({ at }) => at <= until).map(({ question }) => [question.id, question]));
  if (latest.size === 0) return lesson;
  return {
    ...lesson,
    parts: lesson.parts.map((part) => ({
      ...part,
      stops: part.stops.map((stop) =>
        stop.kind === 'checkpoint'
          ? { ...stop, questions: stop.questions.map((question) => latest.get(question.id) ?? question) }
          : stop,
      ),
    })),
  };
}

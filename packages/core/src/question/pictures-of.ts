import type { LessonPicture } from '../elements/recording.ts';
import type { Question } from './question.ts';

/** All pictures of a question: what it is about, and answers that are pictures. */
export function picturesOf(question: Question): readonly LessonPicture[] {
  const ofOptions = question.kind === 'choice' ? question.options.map(({ picture }) => picture) : [];
  return [question.picture, ...ofOptions].filter((picture) => picture !== undefined);
}

import { picturesOf } from '../question/pictures-of.ts';
import type { Question } from '../question/question.ts';
import type { Lesson, Part, Stop } from './lesson.ts';

/** Ids of all materials that a lesson shows anywhere, each once: of its parts, its recordings, insets and pictures. */
export function materialsOf(lesson: Lesson): readonly string[] {
  return [
    ...new Set([lesson.directions?.materialId, ...lesson.parts.flatMap(ofPart)].filter((id) => id !== undefined)),
  ];
}

function ofPart(part: Part): (string | undefined)[] {
  return [
    part.materialId,
    part.directions?.materialId,
    ...(part.narrations ?? []).map((narration) => narration.materialId),
    ...(part.insets ?? []).map((inset) => inset.materialId),
    ...part.stops.flatMap(ofStop),
  ];
}

function ofStop(stop: Stop): (string | undefined)[] {
  return stop.kind === 'pause' ? [stop.voice?.materialId] : stop.questions.flatMap(ofQuestion);
}

function ofQuestion(question: Question): (string | undefined)[] {
  const ofPictures = picturesOf(question).map(({ materialId }) => materialId);
  return [question.sound?.materialId, question.directions?.materialId, ...ofPictures];
}

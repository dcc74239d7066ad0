import { picturesOf } from '../question/pictures-of.ts';
import type { Question } from '../question/question.ts';
import { hasMaterial, type Lesson, type Part, type Stop } from './lesson.ts';

/** Ids of all materials that a lesson shows anywhere, each once: of its parts, its recordings, insets and pictures. */
export function materialsOf(lesson: Lesson): readonly string[] {
  return [
    ...new Set([lesson.directions?.materialId, ...lesson.parts.flatMap(ofPart)].filter((id) => id !== undefined)),
  ];
}

function ofPart(part: Part): (string | undefined)[] {
  const always = [part.directions?.materialId, ...part.stops.flatMap(ofStop)];
  if (!hasMaterial(part)) return always;
  return [
    part.materialId,
    ...always,
    ...(part.narrations ?? []).map((narration) => narration.materialId),
    ...(part.insets ?? []).map((inset) => inset.materialId),
  ];
}

function ofStop(stop: Stop): (string | undefined)[] {
  if (stop.kind === 'pause') return [stop.voice?.materialId];
  if (stop.kind === 'fork') return stop.choices.map(({ picture }) => picture?.materialId);
  if (stop.kind === 'board') return [stop.voice?.materialId, ...stop.tiles.map(({ picture }) => picture?.materialId)];
  return stop.questions.flatMap(ofQuestion);
}

/** Ids of the materials that a question shows: its pictures and its recordings. */
export function materialsOfQuestion(question: Question): readonly string[] {
  return [...new Set(ofQuestion(question).filter((id) => id !== undefined))];
}

function ofQuestion(question: Question): (string | undefined)[] {
  const ofPictures = picturesOf(question).map(({ materialId }) => materialId);
  return [question.sound?.materialId, question.directions?.materialId, ...ofPictures];
}

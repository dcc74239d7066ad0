import type { Question } from '../question/question.ts';
import type { Lesson } from './lesson.ts';
import type { LessonChange } from './lesson-change.ts';
import { fieldOf, fixedFields } from './stop-edit.ts';

/**
 * A change in the pieces it is made of: a stop that is put whole says everything about it, though one word was typed.
 * @param lesson as it is before the change
 */
export function refineChange(lesson: Lesson, change: LessonChange): readonly LessonChange[] {
  if (change.type !== 'replaceStop') return [change];
  const before = lesson.parts.find(({ id }) => id === change.partId)?.stops.find(({ id }) => id === change.stop.id);
  if (before?.kind !== change.stop.kind) return [change];
  const place = { partId: change.partId, stopId: change.stop.id };
  const own = changedFields(before, change.stop).map(
    (field): LessonChange => ({ ...place, type: 'setStopField', field, value: fieldOf(change.stop, field) }),
  );
  const { atMs, anchor } = change.stop;
  const isMoved = before.atMs !== atMs || JSON.stringify(before.anchor) !== JSON.stringify(anchor);
  const move: LessonChange[] = isMoved ? [{ ...place, type: 'moveStop', atMs, ...(anchor ? { anchor } : {}) }] : [];
  if (before.kind !== 'checkpoint' || change.stop.kind !== 'checkpoint') return [...move, ...own];
  return [...move, ...own, ...refineQuestions(place, before.questions, change.stop.questions)];
}

function refineQuestions(
  place: { readonly partId: string; readonly stopId: string },
  before: readonly Question[],
  after: readonly Question[],
): LessonChange[] {
  const removed = before
    .filter(({ id }) => !after.some((question) => question.id === id))
    .map(({ id }): LessonChange => ({ ...place, type: 'removeQuestion', questionId: id }));
  const edited = after.flatMap((question, index): LessonChange[] => {
    const old = before.find(({ id }) => id === question.id);
    if (old?.kind !== question.kind) return [{ ...place, type: 'putQuestion', question, index }];
    return changedFields(old, question).map((field) => ({
      ...place,
      ...{ type: 'setQuestionField', questionId: question.id, field, value: fieldOf(question, field) },
    }));
  });
  const kept = (list: readonly Question[], other: readonly Question[]) =>
    list.map(({ id }) => id).filter((id) => other.some((question) => question.id === id));
  const isMoved = kept(before, after).join() !== kept(after, before).join();
  const order: LessonChange[] = isMoved
    ? [{ ...place, type: 'orderQuestions', questionIds: after.map(({ id }) => id) }]
    : [];
  return [...removed, ...edited, ...order];
}

function changedFields(before: object, after: object): string[] {
  const fields = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...fields].filter(
    (field) =>
      !fixedFields.has(field) && JSON.stringify(fieldOf(before, field)) !== JSON.stringify(fieldOf(after, field)),
  );
}

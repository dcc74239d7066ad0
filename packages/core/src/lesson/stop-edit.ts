import type { Question } from '../question/question.ts';
import type { Lesson, Stop } from './lesson.ts';
import type { LessonChange } from './lesson-change.ts';

/**
 * An edit inside a stop, as fine as what was edited: so that two people who work on different questions of a stop, or on
 * different fields of a question, take nothing from each other. A field without a value is taken away.
 */
export type StopEdit = { readonly partId: string; readonly stopId: string } & (
  | { readonly type: 'setStopField'; readonly field: string; readonly value?: unknown }
  | {
      readonly type: 'setQuestionField';
      readonly questionId: string;
      readonly field: string;
      readonly value?: unknown;
    }
  /** Another kind of question in the place of one, or a question that was not there. */
  | { readonly type: 'putQuestion'; readonly question: Question; readonly index: number }
  | { readonly type: 'removeQuestion'; readonly questionId: string }
  | { readonly type: 'orderQuestions'; readonly questionIds: readonly string[] }
);

const editTypes: ReadonlySet<LessonChange['type']> = new Set([
  'setStopField',
  'setQuestionField',
  'putQuestion',
  'removeQuestion',
  'orderQuestions',
] satisfies StopEdit['type'][]);

export const isStopEdit = (change: LessonChange): change is StopEdit => editTypes.has(change.type);

/** Fields that make a stop or a question what it is; they are never set alone. */
const fixedFields: ReadonlySet<string> = new Set(['id', 'kind', 'questions', 'atMs', 'anchor']);

/**
 * The stop after an edit, and the edit that takes it back.
 * @returns null when what is edited is not there, or cannot be edited alone
 */
export function editStop(stop: Stop, edit: StopEdit): { readonly stop: Stop; readonly inverse: StopEdit } | null {
  const place = { partId: edit.partId, stopId: edit.stopId };
  if (edit.type === 'setStopField') {
    if (fixedFields.has(edit.field)) return null;
    return { stop: withField(stop, edit.field, edit.value), inverse: { ...edit, value: fieldOf(stop, edit.field) } };
  }
  if (stop.kind !== 'checkpoint') return null;
  const { questions } = stop;
  const withQuestions = (next: readonly Question[], inverse: StopEdit) => ({
    stop: { ...stop, questions: next },
    inverse,
  });
  const indexOf = (questionId: string) => questions.findIndex(({ id }) => id === questionId);
  switch (edit.type) {
    case 'setQuestionField': {
      const index = indexOf(edit.questionId);
      const question = questions[index];
      if (!question || fixedFields.has(edit.field)) return null;
      const inverse = { ...edit, value: fieldOf(question, edit.field) };
      return withQuestions(questions.with(index, withField(question, edit.field, edit.value)), inverse);
    }
    case 'putQuestion': {
      const index = indexOf(edit.question.id);
      const before = questions[index];
      if (before) return withQuestions(questions.with(index, edit.question), { ...edit, question: before, index });
      const next = questions.toSpliced(edit.index, 0, edit.question);
      return withQuestions(next, { ...place, type: 'removeQuestion', questionId: edit.question.id });
    }
    case 'removeQuestion': {
      const index = indexOf(edit.questionId);
      const question = questions[index];
      if (!question) return null;
      return withQuestions(questions.toSpliced(index, 1), { ...place, type: 'putQuestion', question, index });
    }
    case 'orderQuestions': {
      const ordered = edit.questionIds.flatMap((id) => questions.find((question) => question.id === id) ?? []);
      // Who put one in meanwhile has it behind the others.
      const others = questions.filter(({ id }) => !edit.questionIds.includes(id));
      return withQuestions([...ordered, ...others], { ...edit, questionIds: questions.map(({ id }) => id) });
    }
  }
}

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

const fieldOf = (of: object, field: string): unknown =>
  Object.hasOwn(of, field) ? of[field as keyof typeof of] : undefined;

/** The fields of a model are many, and each keeps its place. */
function withField<T extends object>(of: T, field: string, value: unknown): T {
  if (value !== undefined) return { ...of, [field]: value };
  const { [field as keyof T]: _, ...rest } = of;
  return rest as T;
}

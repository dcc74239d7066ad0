import type { Question } from '../question/question.ts';
import type { Stop } from './lesson.ts';

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

const editTypes: ReadonlySet<string> = new Set([
  'setStopField',
  'setQuestionField',
  'putQuestion',
  'removeQuestion',
  'orderQuestions',
] satisfies StopEdit['type'][]);

export const isStopEdit = <C extends { readonly type: string }>(change: C): change is Extract<C, StopEdit> =>
  editTypes.has(change.type);

/** Fields that make a stop or a question what it is; they are never set alone. */
export const fixedFields: ReadonlySet<string> = new Set(['id', 'kind', 'questions', 'atMs', 'anchor']);

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

/** What a field holds; undefined where there is none. */
export const fieldOf = (of: object, field: string): unknown =>
  Object.hasOwn(of, field) ? of[field as keyof typeof of] : undefined;

/** The fields of a model are many, and each keeps its place. */
function withField<T extends object>(of: T, field: string, value: unknown): T {
  if (value !== undefined) return { ...of, [field]: value };
  const { [field as keyof T]: _, ...rest } = of;
  return rest as T;
}

import {
  type BlockAnchor,
  type ChoiceQuestion,
  type Hundredths,
  type Inset,
  type Lesson,
  type LessonPicture,
  type Narration,
  type Part,
  type PartKind,
  type Question,
  type Recording,
  type Stop,
  stopsInOrder,
} from '../lesson/lesson.ts';
import type { Answer, AttemptState } from './attempt-state.ts';

/** A lesson as a learner's browser may hold it: no keys, no feedback, no teacher's notes. */
export interface LearnerLesson {
  readonly title: string;
  readonly directions?: Recording | undefined;
  readonly parts: readonly LearnerPart[];
}

export interface LearnerPart {
  readonly id: string;
  readonly kind: PartKind;
  readonly title: string;
  readonly materialId: string;
  readonly inMs: number;
  readonly outMs: number;
  readonly stops: readonly LearnerStop[];
  readonly directions?: Recording | undefined;
  readonly narrations?: readonly Narration[] | undefined;
  readonly insets?: readonly Inset[] | undefined;
  readonly nextLessonId?: string | undefined;
}

export type LearnerStop =
  | {
      readonly id: string;
      readonly kind: 'checkpoint';
      readonly atMs: number;
      readonly anchor?: BlockAnchor | undefined;
      readonly required: boolean;
      readonly questions: readonly LearnerQuestion[];
    }
  | {
      readonly id: string;
      readonly kind: 'pause';
      readonly atMs: number;
      readonly anchor?: BlockAnchor | undefined;
      readonly note: string;
      readonly voice?: Recording | undefined;
    };

interface LearnerQuestionHead {
  readonly id: string;
  readonly stem: string;
  readonly points: Hundredths;
  readonly picture?: LessonPicture | undefined;
  readonly directions?: Recording | undefined;
}

export type LearnerQuestion = LearnerQuestionHead &
  (
    | {
        readonly kind: 'choice';
        readonly several: boolean;
        readonly options: readonly { readonly id: string; readonly text: string }[];
      }
    | { readonly kind: 'extendedText' }
  );

/** What a learner has earned by answering a question. */
export interface QuestionResult {
  readonly points: Hundredths | null;
  readonly comment: string | null;
  /** The right options, and the feedback of the options picked; only of choice questions. */
  readonly rightOptionIds: readonly string[];
  readonly feedback: readonly { readonly optionId: string; readonly text: string }[];
}

export interface LearnerView {
  readonly lesson: LearnerLesson;
  readonly state: AttemptState;
  /** By question id; only questions that were answered. */
  readonly results: Readonly<Record<string, QuestionResult>>;
}

/**
 * The only way a lesson reaches a student. Built by naming what goes through, never by leaving out, so that a field
 * added to the model later stays secret until somebody names it here.
 */
export function learnerView(lesson: Lesson, state: AttemptState): LearnerView {
  return { lesson: toLearnerLesson(lesson), state: maskMarkers(state), results: resultsOf(lesson, state) };
}

function toLearnerLesson({ title, directions, parts }: Lesson): LearnerLesson {
  return { title, ...present({ directions }), parts: parts.map(toLearnerPart) };
}

function toLearnerPart(part: Part): LearnerPart {
  const { id, kind, title, materialId, inMs, outMs, stops } = part;
  const { directions, narrations, insets, nextLessonId } = part;
  return {
    ...{ id, kind, title, materialId, inMs, outMs },
    stops: stopsInOrder(stops).map(toLearnerStop),
    ...present({ directions, narrations, insets, nextLessonId }),
  };
}

function toLearnerStop(stop: Stop): LearnerStop {
  const { id, atMs, anchor } = stop;
  const place = { id, atMs, ...present({ anchor }) };
  if (stop.kind === 'pause') return { ...place, kind: stop.kind, note: stop.note, ...present({ voice: stop.voice }) };
  const { kind, required, questions } = stop;
  return { ...place, kind, required, questions: questions.map(toLearnerQuestion) };
}

function toLearnerQuestion(question: Question): LearnerQuestion {
  const { id, stem, points, picture, directions } = question;
  const head = { id, stem, points, ...present({ picture, directions }) };
  if (question.kind === 'extendedText') return { ...head, kind: question.kind };
  return {
    ...head,
    kind: question.kind,
    several: question.several,
    options: question.options.map((option) => ({ id: option.id, text: option.text })),
  };
}

/** Only what is there: a key without a value would travel for nothing. */
function present<T extends object>(fields: T): Partial<T> {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;
}

/** Which teacher marked is the teachers' affair. */
function maskMarkers(state: AttemptState): AttemptState {
  const mask = (answer: Answer): Answer => ({
    ...answer,
    markedBy: answer.markedBy === null || answer.markedBy === 'program' ? answer.markedBy : 'teacher',
  });
  const stops = Object.entries(state.stops).map(([id, stop]) => [
    id,
    {
      ...stop,
      answers: Object.fromEntries(Object.entries(stop.answers).map(([key, answer]) => [key, mask(answer)])),
    },
  ]);
  return { ...state, stops: Object.fromEntries(stops) };
}

function resultsOf(lesson: Lesson, state: AttemptState): Record<string, QuestionResult> {
  const results: Record<string, QuestionResult> = {};
  for (const stop of lesson.parts.flatMap((part) => part.stops)) {
    if (stop.kind !== 'checkpoint') continue;
    for (const question of stop.questions) {
      const answer = state.stops[stop.id]?.answers[question.id];
      if (answer) results[question.id] = toResult(question, answer);
    }
  }
  return results;
}

function toResult(question: Question, answer: Answer): QuestionResult {
  const earned = { points: answer.points, comment: answer.comment };
  if (question.kind !== 'choice') return { ...earned, rightOptionIds: [], feedback: [] };
  return { ...earned, ...choiceResult(question, answer) };
}

function choiceResult(question: ChoiceQuestion, answer: Answer): Pick<QuestionResult, 'rightOptionIds' | 'feedback'> {
  const picked = answer.response.kind === 'choice' ? answer.response.optionIds : [];
  return {
    rightOptionIds: question.options.filter((option) => option.right).map((option) => option.id),
    feedback: question.options
      .filter((option) => picked.includes(option.id) && option.feedback !== '')
      .map((option) => ({ optionId: option.id, text: option.feedback })),
  };
}

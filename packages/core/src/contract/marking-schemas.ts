import * as v from 'valibot';
import { sheetLineSchema } from './assignment-schemas.ts';
import { id } from './base-schemas.ts';
import { lessonSchema } from './lesson-schemas.ts';
import { questionSchema } from './question-schemas.ts';
import { drawingSchema, handedFileSchema, responseSchema } from './response-schemas.ts';
import { answerSchema, shownStateSchema } from './teacher-schemas.ts';

export const attemptDetailSchema = v.object({
  student: sheetLineSchema,
  lesson: lessonSchema,
  state: v.nullable(shownStateSchema),
  /** Parts that the student will come to whatever they answer and choose. */
  aheadPartIds: v.array(v.string()),
});
export type AttemptDetail = v.InferOutput<typeof attemptDetailSchema>;

export const markSchema = v.object({
  stopId: id,
  questionId: id,
  /** Null leaves the points as they are. */
  points: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0))),
  comment: v.pipe(v.string(), v.trim(), v.maxLength(5_000)),
  rubric: v.optional(v.record(id, id)),
  /** Null takes away what was said; absent leaves it. */
  voice: v.optional(v.nullable(handedFileSchema)),
  drawn: v.optional(v.record(id, drawingSchema)),
  /** Gives the answer back, to be worked on again. */
  returns: v.optional(v.boolean()),
});
export type MarkInput = v.InferOutput<typeof markSchema>;

export const markingQuestionSchema = v.object({
  stopId: v.string(),
  questionId: v.string(),
  stem: v.string(),
  answered: v.number(),
  waiting: v.number(),
});
export type MarkingQuestion = v.InferOutput<typeof markingQuestionSchema>;

export const questionAnswersSchema = v.object({
  stopId: v.string(),
  question: questionSchema,
  answers: v.array(
    v.object({
      studentId: v.string(),
      displayName: v.string(),
      answer: answerSchema,
      /** The same student's answer to the question this one is compared with. */
      before: v.nullable(responseSchema),
    }),
  ),
});
export type QuestionAnswers = v.InferOutput<typeof questionAnswersSchema>;

export const markMoveSchema = v.object({
  studentId: v.string(),
  displayName: v.string(),
  before: v.number(),
  after: v.number(),
  /** Marked by hand, and so left as it is. */
  byHand: v.boolean(),
});
export type MarkMove = v.InferOutput<typeof markMoveSchema>;

export const markChangeSchema = v.object({
  questionId: v.string(),
  at: v.number(),
  by: v.string(),
  /** Null where only words were said, or the answer was given back. */
  points: v.nullable(v.number()),
  comment: v.nullable(v.string()),
  returned: v.boolean(),
});
export type MarkChange = v.InferOutput<typeof markChangeSchema>;

export const threadPostSchema = v.object({
  studentId: v.string(),
  displayName: v.string(),
  text: v.string(),
  isOwn: v.boolean(),
  /** Only teachers are sent what is hidden. */
  hidden: v.boolean(),
  replies: v.array(
    v.object({
      id: v.string(),
      displayName: v.string(),
      isTeacher: v.boolean(),
      isOwn: v.boolean(),
      text: v.string(),
      at: v.number(),
      hidden: v.boolean(),
    }),
  ),
});
export type ThreadPost = v.InferOutput<typeof threadPostSchema>;

export const phraseSchema = v.object({ id: v.string(), text: v.string() });

import * as v from 'valibot';
import { termsSchema } from './assignment-schemas.ts';
import { instant } from './base-schemas.ts';
import {
  learnerQuestionSchema,
  learnerResponseSchema,
  learnerViewSchema,
  outcomeSchema,
  questionResultSchema,
} from './learner-schemas.ts';

export const todoItemSchema = v.strictObject({
  assignmentId: v.string(),
  title: v.string(),
  className: v.string(),
  timeZone: v.string(),
  teacherName: v.string(),
  /** What the teacher says to everybody. */
  note: v.string(),
  opensAt: instant,
  dueAt: instant,
  closesAt: instant,
  filmMs: v.number(),
  readingMs: v.number(),
  answeringMs: v.number(),
  stopCount: v.number(),
  excused: v.boolean(),
  progress: v.number(),
  begun: v.boolean(),
  /** How many attempts were begun, and whether another may be now. */
  attempts: v.strictObject({ begun: v.number(), mayBegin: v.boolean() }),
  handedInAt: instant,
  /** After what was taken off for being late; nothing while it is not shown yet. */
  earned: v.number(),
  possible: v.number(),
  latePercent: v.number(),
  waiting: v.boolean(),
  /** How it went is shown later, if at all. */
  isWithheld: v.boolean(),
  /** Students may do it, and need not. */
  isExtra: v.boolean(),
  late: termsSchema.entries.late,
  worth: termsSchema.entries.worth,
  category: termsSchema.entries.category,
  /** The series of which it is a step: as what number of how many, null for an extra, and how many are done. */
  series: v.optional(
    v.strictObject({ title: v.string(), number: v.nullable(v.number()), count: v.number(), done: v.number() }),
  ),
  /** What has to be done before it opens, and with how many percent of its points. */
  waitsFor: v.optional(v.strictObject({ title: v.string(), percent: v.number() })),
  /** Answers that came back to be worked on again, and what the teacher says to them. */
  givenBack: v.strictObject({ count: v.number(), says: v.array(v.string()) }),
});
export type TodoItem = v.InferOutput<typeof todoItemSchema>;

export const feedbackItemSchema = v.strictObject({
  assignmentId: v.string(),
  title: v.string(),
  question: learnerQuestionSchema,
  response: learnerResponseSchema,
  result: questionResultSchema,
});
export type FeedbackItem = v.InferOutput<typeof feedbackItemSchema>;

export const walkSchema = v.strictObject({
  attemptId: v.string(),
  assignmentId: v.string(),
  timeZone: v.string(),
  opensAt: instant,
  dueAt: instant,
  closesAt: instant,
  terms: termsSchema,
  view: learnerViewSchema,
  /** The learner's assignments of the lessons to which readings lead on. */
  nextLessons: v.array(v.object({ lessonId: v.string(), assignmentId: v.string(), title: v.string() })),
  now: v.number(),
  version: v.string(),
});
export type Walk = v.InferOutput<typeof walkSchema>;

export const intakeSchema = v.strictObject({
  outcomes: v.array(outcomeSchema),
  version: v.number(),
  now: v.number(),
  /** Sent back when something was earned or refused, so that the browser shows the server's truth. */
  view: v.optional(learnerViewSchema),
});
export type IntakeAnswer = v.InferOutput<typeof intakeSchema>;

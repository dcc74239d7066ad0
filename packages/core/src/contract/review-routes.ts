import * as v from 'valibot';
import { masteryLevels } from '../target/mastery.ts';
import { termsSchema } from './assignment-schemas.ts';
import { maxEventsPerBatch, sentEventSchema } from './event-schemas.ts';
import { learnerViewSchema } from './learner-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';
import { intakeSchema } from './walk-schemas.ts';

/** So many at one go are a review; more are a lesson. */
export const maxReviewQuestions = 10;

const settingsSchema = v.strictObject({
  isOn: v.boolean(),
  /** On a day, of one student. */
  maxQuestions: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(maxReviewQuestions)),
  /** Whether questions of the bank are asked as well. */
  usesBank: v.boolean(),
  /** Whether what is answered tells of the targets as lessons do. */
  counts: v.boolean(),
});
export type ReviewSettings = v.InferOutput<typeof settingsSchema>;

const waitingReviewSchema = v.strictObject({
  ...{ classId: v.string(), className: v.string() },
  /** Of those that are left where it was begun. */
  questionCount: v.number(),
  answeringMs: v.nullable(v.number()),
  begun: v.boolean(),
});
export type WaitingReview = v.InferOutput<typeof waitingReviewSchema>;

const openedReviewSchema = v.strictObject({
  ...{ roundId: v.string(), className: v.string(), terms: termsSchema, view: learnerViewSchema, now: v.number() },
});
export type OpenedReview = v.InferOutput<typeof openedReviewSchema>;

const stayedSchema = v.strictObject({
  ...{ fromDays: v.number(), toDays: v.nullable(v.number()), count: v.number() },
  /** Null where there are too few answers to say. */
  share: v.nullable(v.number()),
});

const overviewSchema = v.strictObject({
  settings: settingsSchema,
  /** Today, on the class's calendar. */
  ...{ day: v.string(), runs: v.boolean() },
  targets: v.array(
    v.strictObject({
      ...{ key: v.string(), code: v.string(), words: v.string(), stayed: stayedSchema },
      /** How many questions there are to ask for it. */
      questionCount: v.number(),
    }),
  ),
  students: v.array(
    v.strictObject({
      ...{ id: v.string(), displayName: v.string() },
      /** What comes back to them, by its place among the targets. */
      back: v.array(v.strictObject({ place: v.number(), level: v.nullable(v.picklist(masteryLevels)) })),
      /** When next; today at the earliest, and tomorrow where they have begun today. */
      nextDay: v.nullable(v.string()),
      /** Null where they have not begun today. */
      today: v.nullable(v.picklist(['begun', 'done'])),
    }),
  ),
  stayed: v.strictObject({ all: stayedSchema, bands: v.array(stayedSchema) }),
  leftOut: v.array(v.strictObject({ source: v.string(), words: v.string() })),
});
export type ReviewOverview = v.InferOutput<typeof overviewSchema>;

const previewSchema = v.strictObject({
  /** When next something is due, today at the earliest; null where nothing comes back. */
  day: v.nullable(v.string()),
  questions: v.array(
    v.strictObject({
      ...{ source: v.string(), stem: v.string(), targets: v.array(v.string()) },
      /** The lesson it was met in; null for one of the bank. */
      from: v.nullable(v.string()),
    }),
  ),
  answers: v.array(
    v.strictObject({
      ...{ words: v.string(), key: v.string(), day: v.string(), earned: v.number(), possible: v.number() },
      afterDays: v.number(),
    }),
  ),
});
export type ReviewPreview = v.InferOutput<typeof previewSchema>;

/** Doors for what comes back to students, and what their teachers see of it. */
export const reviewRoutes = {
  listReviews: route(...routePaths.listReviews, 'student', { output: v.array(waitingReviewSchema) }),
  /** Begins today's where it was not begun; null where nothing comes back today. */
  openReview: route(...routePaths.openReview, 'student', {
    output: v.strictObject({ review: v.nullable(openedReviewSchema) }),
  }),
  takeInReview: route(...routePaths.takeInReview, 'student', {
    body: v.object({ events: v.pipe(v.array(sentEventSchema), v.minLength(1), v.maxLength(maxEventsPerBatch)) }),
    output: intakeSchema,
    bodyLimit: 1_000_000,
  }),
  readReviews: route(...routePaths.readReviews, 'teacher', { output: overviewSchema }),
  setReviews: route(...routePaths.setReviews, 'teacher', { body: settingsSchema, output: overviewSchema }),
  leaveOutOfReviews: route(...routePaths.leaveOutOfReviews, 'teacher', {
    body: v.object({ source: v.pipe(v.string(), v.minLength(1), v.maxLength(200)), isLeftOut: v.boolean() }),
    output: overviewSchema,
  }),
  previewReview: route(...routePaths.previewReview, 'teacher', { output: previewSchema }),
} as const;

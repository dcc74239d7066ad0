import * as v from 'valibot';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';
import { feedbackItemSchema } from './walk-schemas.ts';

export const longestTalk = 1_000;
const text = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(longestTalk));

const said = v.strictObject({
  ...{ id: v.string(), displayName: v.string(), text: v.string(), at: v.number() },
  byTeacher: v.boolean(),
});
export type Said = v.InferOutput<typeof said>;

const studentFeedbackSchema = v.strictObject({
  ...feedbackItemSchema.entries,
  /** Not seen yet as it is now. */
  isNew: v.boolean(),
  /** Whether what is said to it is shown, so that it can be answered. */
  mayTalk: v.boolean(),
  talk: v.array(said),
});
export type StudentFeedback = v.InferOutput<typeof studentFeedbackSchema>;

/** What was said to one student's answers, and back. */
const talkOfStudentSchema = v.array(
  v.strictObject({
    questionId: v.string(),
    /** Whether the student has seen it as it is now. */
    isSeen: v.boolean(),
    talk: v.array(said),
  }),
);

const wroteBackSchema = v.array(
  v.strictObject({
    ...{ studentId: v.string(), displayName: v.string(), questionId: v.string() },
    /** Where the question is asked. */
    stopId: v.nullable(v.string()),
    ...{ text: v.string(), at: v.number() },
  }),
);
export type WroteBack = v.InferOutput<typeof wroteBackSchema>;

/** Doors to what is said about answers, by both sides. */
export const feedbackRoutes = {
  listFeedback: route(...routePaths.listFeedback, 'student', { output: v.array(studentFeedbackSchema) }),
  /** All that is shown now has been seen. */
  seeFeedback: route(...routePaths.seeFeedback, 'student'),
  /** A student answers what was said to an answer. */
  writeBack: route(...routePaths.writeBack, 'student', { body: v.object({ text }) }),
  readTalk: route(...routePaths.readTalk, 'teacher', { output: talkOfStudentSchema }),
  answerBack: route(...routePaths.answerBack, 'teacher', { body: v.object({ text }) }),
  /** Who wrote back, and has no answer yet; the first first. */
  listWroteBack: route(...routePaths.listWroteBack, 'teacher', { output: wroteBackSchema }),
} as const;

import * as v from 'valibot';
import { rowId } from './base-schemas.ts';
import {
  attemptDetailSchema,
  markChangeSchema,
  markingQuestionSchema,
  markMoveSchema,
  markSchema,
  phraseSchema,
  questionAnswersSchema,
  threadPostSchema,
} from './marking-schemas.ts';
import { questionSchema, rubricSchema } from './question-schemas.ts';
import { handedFileSchema } from './response-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** Doors for answers and marks, and the class’s threads. */
export const markingRoutes = {
  readAttempt: route(...routePaths.readAttempt, 'teacher', {
    output: attemptDetailSchema,
  }),
  mark: route(...routePaths.mark, 'teacher', {
    body: markSchema,
    output: attemptDetailSchema,
  }),
  /** What came in after closing counts all the same. */
  admitLate: route(...routePaths.admitLate, 'teacher', { output: attemptDetailSchema }),
  /** One mark for many answers that are alike. */
  markMany: route(...routePaths.markMany, 'teacher', {
    body: v.object({
      studentIds: v.pipe(v.array(rowId), v.minLength(1), v.maxLength(500)),
      mark: markSchema,
    }),
  }),
  /** The questions of an assignment, with how many answers there are and how many wait. */
  listMarking: route(...routePaths.listMarking, 'teacher', {
    output: v.array(markingQuestionSchema),
  }),
  readAnswers: route(...routePaths.readAnswers, 'teacher', {
    output: questionAnswersSchema,
  }),
  /** Puts a key right after answers came in; tells first, where it is only looked at, whose marks would move. */
  changeKey: route(...routePaths.changeKey, 'teacher', {
    body: v.object({ question: questionSchema, confirms: v.boolean() }),
    output: v.array(markMoveSchema),
  }),
  /** Every change of a mark, the latest first. */
  readMarkHistory: route(...routePaths.readMarkHistory, 'teacher', {
    output: v.array(markChangeSchema),
  }),
  /** The body is a voice that was recorded as a comment. */
  sendMarkVoice: route(...routePaths.sendMarkVoice, 'teacher', {
    output: handedFileSchema,
  }),
  listPhrases: route(...routePaths.listPhrases, 'teacher', { output: v.array(phraseSchema) }),
  addPhrase: route(...routePaths.addPhrase, 'teacher', {
    body: v.object({ text: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(1_000)) }),
    output: phraseSchema,
  }),
  removePhrase: route(...routePaths.removePhrase, 'teacher'),
  listRubrics: route(...routePaths.listRubrics, 'teacher', {
    output: v.array(v.object({ id: v.string(), title: v.string(), content: rubricSchema })),
  }),
  keepRubric: route(...routePaths.keepRubric, 'teacher', {
    body: v.object({ title: v.pipe(v.string(), v.minLength(1), v.maxLength(200)), content: rubricSchema }),
  }),
  readThread: route(...routePaths.readThread, 'signedIn', {
    output: v.array(threadPostSchema),
  }),
  replyInThread: route(...routePaths.replyInThread, 'signedIn', {
    body: v.object({ text: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(5_000)) }),
    output: v.array(threadPostSchema),
  }),
  /** Takes a post, or a reply to it, out of the class's sight, or brings it back. */
  hideInThread: route(...routePaths.hideInThread, 'teacher', {
    body: v.object({ replyId: v.nullable(rowId), hidden: v.boolean() }),
    output: v.array(threadPostSchema),
  }),
} as const;

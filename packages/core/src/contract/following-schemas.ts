import * as v from 'valibot';
import type { LessonFigures } from '../analysis/lesson-figures.ts';
import { sheetLineSchema } from './assignment-schemas.ts';
import { describes } from './describes.ts';
import { lessonSchema } from './lesson-schemas.ts';

// What is read off the work of many. Strict: a field that is not named here goes to nobody.

const text = v.string();
const number = v.number();
const share = v.nullable(number);
const studentIds = v.array(text);

const finding = v.variant('kind', [
  v.strictObject({ kind: v.literal('lookAtKey'), pick: text }),
  v.strictObject({ kind: v.literal('sameWrong'), pick: text, count: number }),
  v.strictObject({ kind: v.picklist(['hard', 'easy', 'tellsNothing']) }),
]);

const proposal = v.variant('kind', [
  v.strictObject({
    kind: v.literal('sameMistake'),
    studentIds,
    mistakes: v.array(v.strictObject({ questionId: text, pick: text })),
  }),
  v.strictObject({ kind: v.literal('sureAndWrong'), studentIds, questionId: text }),
  v.strictObject({ kind: v.literal('needsHelp'), studentIds, belowShare: number }),
  v.strictObject({ kind: v.literal('raced'), studentIds }),
]);

const lessonFiguresSchema = describes<LessonFigures>()(
  v.strictObject({
    questions: v.array(
      v.strictObject({
        ...{ stopId: text, questionId: text, answered: number, waiting: number, count: number },
        sure: v.nullable(v.strictObject({ count: number, wrong: number })),
        ...{ meanShare: share, discrimination: share, upperLower: share, medianStopMs: share },
        options: v.array(v.strictObject({ optionId: text, count: number, upperShare: share, lowerShare: share })),
        findings: v.array(finding),
      }),
    ),
    reliability: v.strictObject({ alpha: share, students: number, questions: number }),
    proposals: v.array(proposal),
  }),
);

/** What the answers to an assignment say; names by the ids of those who have begun. */
export const stopFiguresSchema = v.object({
  lesson: lessonSchema,
  names: v.record(text, text),
  figures: lessonFiguresSchema,
  /** Where several classes have it: how much of the points each earned, by the question. */
  classes: v.array(
    v.strictObject({
      ...{ id: text, name: text, begun: number },
      shares: v.record(text, v.strictObject({ count: number, meanShare: share })),
    }),
  ),
});
export type StopFigures = v.InferOutput<typeof stopFiguresSchema>;

/** How the parts of an assignment were gone through; of students who have begun. */
export const watchingSchema = v.object({
  lesson: lessonSchema,
  students: v.array(v.strictObject({ id: text, displayName: text, classId: text, hasLeft: v.boolean() })),
  /** As core's `encodeWatching` wrote them, by the part. */
  lines: v.record(text, v.array(v.strictObject({ studentId: text, line: text }))),
});
export type WatchingLines = v.InferOutput<typeof watchingSchema>;

/** What one student of a class did about all that was given to it. */
export const studentLinesSchema = v.object({
  student: v.strictObject({ id: text, displayName: text }),
  now: number,
  lines: v.array(v.object({ assignmentId: text, isExtra: v.boolean(), line: sheetLineSchema })),
});
export type StudentLines = v.InferOutput<typeof studentLinesSchema>;

import * as v from 'valibot';
import { addresseeSchema, noteToAll, termsSchema, windowFields } from './assignment-schemas.ts';
import { instant, personName, rowId } from './base-schemas.ts';

const title = v.pipe(personName, v.maxLength(120));
/** See `SeriesStep` of core. */
const afterPercent = v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100)));

export const givenSeriesSchema = v.object({
  title,
  to: v.pipe(v.array(addresseeSchema), v.minLength(1), v.maxLength(300)),
  terms: termsSchema,
  note: v.optional(noteToAll),
  isAgain: v.optional(v.boolean()),
  /** In their order. */
  steps: v.pipe(
    v.array(v.object({ lessonId: rowId, ...windowFields, afterPercent, isExtra: v.boolean() })),
    v.minLength(2),
    v.maxLength(60),
  ),
});

export const changedSeriesSchema = v.object({
  title,
  /** All its steps, in their new order. */
  steps: v.pipe(v.array(v.object({ assignmentId: rowId, afterPercent })), v.minLength(1), v.maxLength(60)),
});

/** Where one student is in one step. */
const seriesCellSchema = v.nullable(
  v.object({
    ...{ begun: v.boolean(), excused: v.boolean(), handedInAt: instant, dueAt: instant },
    ...{ progress: v.number(), earned: v.number(), possible: v.number(), toMark: v.number() },
    /** It opens once something else is done. */
    waits: v.boolean(),
  }),
);
export type SeriesCell = v.InferOutput<typeof seriesCellSchema>;

export const seriesSchema = v.object({
  ...{ id: v.string(), title: v.string(), timeZone: v.string() },
  /** Whether the asker runs all of it, and may change it. */
  runs: v.boolean(),
  steps: v.array(
    v.object({
      ...{ assignmentId: v.string(), title: v.string(), className: v.string(), afterPercent, isExtra: v.boolean() },
      ...{ opensAt: instant, dueAt: instant, closesAt: instant },
    }),
  ),
  students: v.array(
    v.object({
      ...{ studentId: v.string(), displayName: v.string(), done: v.number(), count: v.number() },
      /** In the order of the steps; null for what a student does not have. */
      cells: v.array(seriesCellSchema),
    }),
  ),
  now: v.number(),
});
export type Series = v.InferOutput<typeof seriesSchema>;

import * as v from 'valibot';
import type { GradebookCell, GradebookColumn } from '../gradebook/gradebook.ts';
import type { GradebookRules } from '../gradebook/gradebook-rules.ts';
import type { GradingScale } from '../gradebook/grading-scale.ts';
import { describes } from './describes.ts';
import { schoolDaysSchema } from './school-schemas.ts';

const points = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1_000_000));
const decimals = v.picklist([0, 1, 2]);
const scaleEnd = v.pipe(v.number(), v.minValue(-1_000), v.maxValue(1_000));

const scaleSchema = describes<GradingScale>()(
  v.variant('kind', [
    v.object({ kind: v.literal('percent') }),
    v.object({
      kind: v.literal('steps'),
      steps: v.pipe(
        v.array(
          v.object({
            name: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(40)),
            from: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(20_000)),
          }),
        ),
        v.minLength(1),
        v.maxLength(30),
      ),
    }),
    v.object({ kind: v.literal('numbers'), at0: scaleEnd, at100: scaleEnd, decimals }),
  ]),
);

export const gradebookRulesSchema = describes<GradebookRules>()(
  v.object({
    byWeight: v.boolean(),
    categories: v.pipe(
      v.array(
        v.object({
          name: v.pipe(v.string(), v.trim(), v.maxLength(40)),
          weight: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000)),
          dropLowest: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(50)),
        }),
      ),
      v.maxLength(60),
      v.check((all) => new Set(all.map(({ name }) => name)).size === all.length),
    ),
    missing: v.picklist(['zero', 'nothing']),
    extras: v.picklist(['onTop', 'notCounted']),
    decimals,
    scale: scaleSchema,
  }),
);

const columnSchema = describes<GradebookColumn>()(
  v.strictObject({
    ...{ assignmentId: v.string(), title: v.string(), category: v.string(), isExtra: v.boolean() },
    ...{ worth: v.number(), day: v.string() },
  }),
);

const cellSchema = describes<GradebookCell>()(
  v.strictObject({
    state: v.picklist(['notBegun', 'underWay', 'handedIn']),
    ...{ earned: v.number(), possible: v.number() },
    isExcused: v.optional(v.literal(true)),
    isMissing: v.optional(v.literal(true)),
    latePercent: v.optional(v.number()),
    isLate: v.optional(v.literal(true)),
    waiting: v.optional(v.number()),
    whole: v.optional(v.number()),
    attempts: v.optional(v.number()),
    override: v.optional(v.strictObject({ earned: v.number(), reason: v.string(), by: v.string(), at: v.number() })),
  }),
);

/** What a gradebook is counted from. */
const counted = {
  rules: gradebookRulesSchema,
  columns: v.array(columnSchema),
  students: v.array(
    v.strictObject({
      ...{ studentId: v.string(), displayName: v.string() },
      hasLeft: v.optional(v.literal(true)),
      cells: v.array(v.nullable(cellSchema)),
    }),
  ),
};

const keptHead = { id: v.string(), note: v.string(), at: v.number(), by: v.string() };

export const gradebookSchema = v.object({
  ...counted,
  /** Of the rules; zero until somebody has set them. */
  version: v.number(),
  /** Whether the asker teaches the class; who stands in changes nothing. */
  runs: v.boolean(),
  timeZone: v.string(),
  locale: v.string(),
  /** The school's terms. */
  terms: schoolDaysSchema,
  /** Kept as it was then, the latest first. */
  kept: v.array(v.object(keptHead)),
});
export type Gradebook = v.InferOutput<typeof gradebookSchema>;

export const keptGradebookSchema = v.object({ ...counted, ...keptHead });
export type KeptGradebook = v.InferOutput<typeof keptGradebookSchema>;

/** A number given by hand; null takes it back. */
export const gradeOverrideSchema = v.object({
  assignmentId: v.pipe(v.string(), v.minLength(1), v.maxLength(64)),
  studentId: v.pipe(v.string(), v.minLength(1), v.maxLength(64)),
  earned: v.nullable(points),
  reason: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(500)),
});
export type SentGradeOverride = v.InferOutput<typeof gradeOverrideSchema>;

/** All that was given by hand to one student, the latest first; null where it was taken back. */
export const madeOverridesSchema = v.array(
  v.object({
    ...{ assignmentId: v.string(), earned: v.nullable(v.number()) },
    ...{ reason: v.string(), by: v.string(), at: v.number() },
  }),
);

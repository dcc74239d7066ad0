import * as v from 'valibot';
import { lessonSchema } from './lesson-schemas.ts';
import { materialSchema } from './material-schemas.ts';
import { faultSchema } from './teacher-schemas.ts';

export const lessonSummarySchema = v.object({
  id: v.string(),
  title: v.string(),
  editionNumber: v.nullable(v.number()),
  changedSinceEdition: v.boolean(),
  stopCount: v.number(),
  filmMs: v.number(),
  readingMs: v.number(),
  answeringMs: v.number(),
  updatedAt: v.number(),
});
export type LessonSummary = v.InferOutput<typeof lessonSummarySchema>;

export const draftSchema = v.object({
  id: v.string(),
  lesson: lessonSchema,
  version: v.number(),
  updatedAt: v.number(),
  edition: v.nullable(v.object({ number: v.number(), draftVersion: v.number() })),
  materials: v.array(materialSchema),
  faults: v.array(faultSchema),
});
export type Draft = v.InferOutput<typeof draftSchema>;

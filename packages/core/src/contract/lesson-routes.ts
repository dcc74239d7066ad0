import * as v from 'valibot';
import { rowId } from './base-schemas.ts';
import { draftSchema, lessonSummarySchema } from './draft-schemas.ts';
import { lessonChangeSchema, lessonSchema } from './lesson-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** Doors for drafts and editions. */
export const lessonRoutes = {
  listLessons: route(...routePaths.listLessons, 'teacher', { output: v.array(lessonSummarySchema) }),
  createLesson: route(...routePaths.createLesson, 'teacher', {
    body: v.object({ materialId: v.nullable(rowId) }),
    output: v.object({ id: v.string() }),
  }),
  /** What lies in the bin; what was given of it is not touched by that. */
  listRemovedLessons: route(...routePaths.listRemovedLessons, 'teacher', { output: v.array(lessonSummarySchema) }),
  /** A draft like this one, to be changed without changing it. */
  copyLesson: route(...routePaths.copyLesson, 'teacher', { output: v.object({ id: v.string() }) }),
  removeLesson: route(...routePaths.removeLesson, 'teacher'),
  bringBackLesson: route(...routePaths.bringBackLesson, 'teacher'),
  putIntoDrafts: route(...routePaths.putIntoDrafts, 'teacher', {
    output: v.object({ lessons: v.array(v.object({ title: v.string(), astrayCount: v.number() })) }),
  }),
  splitIntoLessons: route(...routePaths.splitIntoLessons, 'teacher', {
    body: v.object({ startIds: v.pipe(v.array(rowId), v.minLength(1), v.maxLength(60)) }),
    output: v.object({ lessonIds: v.array(v.string()) }),
  }),
  readDraft: route(...routePaths.readDraft, 'teacher', { output: draftSchema }),
  changeDraft: route(...routePaths.changeDraft, 'teacher', {
    body: v.object({
      baseVersion: v.pipe(v.number(), v.integer(), v.minValue(0)),
      /** Of this save: one that is sent again because its answer was lost is not taken again. */
      saveId: v.optional(rowId),
      changes: v.pipe(v.array(lessonChangeSchema), v.minLength(1), v.maxLength(200)),
    }),
    output: v.object({ version: v.number(), updatedAt: v.number() }),
  }),
  /** An edition by its number, or `newest`. */
  readEdition: route(...routePaths.readEdition, 'teacher', {
    output: v.object({ number: v.number(), lesson: lessonSchema }),
  }),
  makeEdition: route(...routePaths.makeEdition, 'teacher', {
    body: v.object({
      draftVersion: v.number(),
      /** The teacher has seen that some pictures have no words. */
      acceptsPicturesWithoutAlt: v.optional(v.boolean(), false),
    }),
    output: v.object({ number: v.number() }),
  }),
} as const;

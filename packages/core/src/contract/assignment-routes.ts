import * as v from 'valibot';
import {
  addresseeSchema,
  adjustmentSchema,
  assignmentSummarySchema,
  madeAdjustmentSchema,
  noteToAll,
  sheetLineSchema,
  sheetSchema,
  swapLineSchema,
  termsSchema,
  walkedPathSchema,
  windowFields,
} from './assignment-schemas.ts';
import { personName, rowId } from './base-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

const editionNumber = v.pipe(v.number(), v.integer(), v.minValue(1));

/** Doors for giving lessons, and following them. */
export const assignmentRoutes = {
  listAssignments: route(...routePaths.listAssignments, 'teacher', { output: v.array(assignmentSummarySchema) }),
  /** All that was given, to classes that were put away, too. */
  listHistory: route(...routePaths.listHistory, 'teacher', { output: v.array(assignmentSummarySchema) }),
  assign: route(...routePaths.assign, 'teacher', {
    body: v.object({
      lessonId: rowId,
      to: v.pipe(v.array(addresseeSchema), v.minLength(1), v.maxLength(300)),
      terms: termsSchema,
      ...windowFields,
      note: v.optional(noteToAll),
      /** It may be given to somebody who has this lesson already. */
      isAgain: v.optional(v.boolean()),
    }),
    output: v.object({ id: v.string() }),
  }),
  changeWindow: route(...routePaths.changeWindow, 'teacher', {
    body: v.object({
      ...windowFields,
      /** For one of those it was given to; else for all whom the teacher follows. */
      addresseeId: v.optional(rowId),
    }),
    output: assignmentSummarySchema,
  }),
  /** So many days more for everybody it was given to. */
  extendAll: route(...routePaths.extendAll, 'teacher', {
    body: v.object({ days: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(365)) }),
    /** To whom it was given with the dates of before, so that it can be undone; and as it is now. */
    output: v.object({ before: assignmentSummarySchema.entries.to, now: assignmentSummarySchema }),
  }),
  /** What is said to all who receive it, also to those who have begun. */
  changeNote: route(...routePaths.changeNote, 'teacher', { body: v.object({ note: noteToAll }) }),
  /** Refused, with which, where it would move the ground under somebody who has begun. */
  changeTerms: route(...routePaths.changeTerms, 'teacher', { body: v.object({ terms: termsSchema }) }),
  /** Students are shown what waits to be shown, or no longer. */
  releaseResults: route(...routePaths.releaseResults, 'teacher', { body: v.object({ isReleased: v.boolean() }) }),
  /** No student has it any more, or they have it again; what they did is kept. */
  takeBack: route(...routePaths.takeBack, 'teacher', { body: v.object({ isTakenBack: v.boolean() }) }),
  /** Terms to give with again: those of the last time, and those that were kept under a name. */
  listTermPresets: route(...routePaths.listTermPresets, 'teacher', {
    output: v.object({
      last: v.nullable(termsSchema),
      presets: v.array(v.object({ id: v.string(), name: v.string(), terms: termsSchema })),
    }),
  }),
  /** Under a name that there is already: in its place. */
  keepTermPreset: route(...routePaths.keepTermPreset, 'teacher', {
    body: v.object({ name: v.pipe(personName, v.maxLength(60)), terms: termsSchema }),
  }),
  removeTermPreset: route(...routePaths.removeTermPreset, 'teacher'),
  readSheet: route(...routePaths.readSheet, 'teacher', { output: sheetSchema }),
  /** A stream of server-sent events about the topics in `on`, from behind the version in `since` on. */
  watch: route(...routePaths.watch, 'signedIn'),
  /** Makes something different for some students; answers with their lines of the sheet. */
  adjust: route(...routePaths.adjust, 'teacher', {
    body: v.object({
      studentIds: v.pipe(v.array(rowId), v.minLength(1), v.maxLength(20_000)),
      change: adjustmentSchema,
      reason: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(500))),
    }),
    output: v.array(sheetLineSchema),
  }),
  /** What another edition would carry over and lose for who has begun; changes nothing. */
  planSwap: route(...routePaths.planSwap, 'teacher', {
    body: v.object({ editionNumber }),
    output: v.array(swapLineSchema),
  }),
  /** Lets who has begun go on in it; answers with the editions of before, so that it can be taken back. */
  swapEdition: route(...routePaths.swapEdition, 'teacher', {
    body: v.object({ editionNumber, studentIds: v.pipe(v.array(rowId), v.minLength(1), v.maxLength(20_000)) }),
    output: v.array(v.object({ studentId: v.string(), editionNumber: v.number() })),
  }),
  /** All that was made different for one student, the latest first. */
  listAdjustments: route(...routePaths.listAdjustments, 'teacher', { output: v.array(madeAdjustmentSchema) }),
  /** Where students went: ways taken, turned back at, and routes walked. */
  readWalkedPath: route(...routePaths.readWalkedPath, 'teacher', { output: walkedPathSchema }),
} as const;

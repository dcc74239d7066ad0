import * as v from 'valibot';
import { materialKinds } from '../lesson/whole-part.ts';
import { leftOutCodes } from '../reading/left-out.ts';
import { blockKinds } from '../script/block-kind.ts';

export const materialSchema = v.object({
  id: v.string(),
  title: v.string(),
  fileName: v.string(),
  byteLength: v.number(),
  /** Known once the file was looked into. */
  kind: v.nullable(v.picklist(materialKinds)),
  status: v.picklist(['checking', 'ready', 'refused']),
  /** How far bringing in has come, 0 to 1. */
  progress: v.nullable(v.number()),
  leftOut: v.array(v.object({ code: v.picklist(leftOutCodes), count: v.number() })),
  replacesId: v.nullable(v.string()),
  level: v.nullable(v.object({ words: v.number(), ease: v.number(), grade: v.number() })),
  refusal: v.nullable(v.string()),
  lengthMs: v.nullable(v.number()),
  mimeType: v.nullable(v.string()),
  width: v.nullable(v.number()),
  height: v.nullable(v.number()),
  captionCount: v.number(),
  /** Slides that can be changed here. */
  madeHere: v.boolean(),
  createdAt: v.number(),
  usedIn: v.array(v.string()),
});
export type Material = v.InferOutput<typeof materialSchema>;

export const slideSchema = v.object({
  id: v.string(),
  title: v.string(),
  html: v.string(),
  width: v.number(),
  height: v.number(),
  text: v.string(),
  notes: v.string(),
  lengthMs: v.number(),
});

export const contentSchema = v.object({
  /** Slides are shown by their words alone, until they are drawn. */
  isDrawing: v.boolean(),
  slides: v.array(slideSchema),
  blocks: v.array(
    v.object({
      id: v.string(),
      kind: v.picklist(blockKinds),
      html: v.string(),
      text: v.string(),
      lengthMs: v.number(),
    }),
  ),
});

const cueMs = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(24 * 3_600_000));

export const cueSchema = v.object({ startMs: cueMs, endMs: cueMs, text: v.pipe(v.string(), v.maxLength(5_000)) });

export const catalogueItemSchema = v.object({
  id: v.string(),
  title: v.string(),
  description: v.string(),
  author: v.string(),
  licence: v.string(),
  seconds: v.number(),
  hasCaptions: v.boolean(),
});
export type CatalogueItem = v.InferOutput<typeof catalogueItemSchema>;

export const captionFaultSchema = v.object({
  line: v.number(),
  code: v.picklist([
    'notCaptions',
    'timeUnreadable',
    'endBeforeStart',
    'overlapsPrevious',
    'cueWithoutWords',
    'blankLineMissing',
    'formUnusual',
  ]),
  kept: v.boolean(),
});

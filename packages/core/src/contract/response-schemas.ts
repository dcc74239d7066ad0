import * as v from 'valibot';
import { type Drawing, type DrawingMark, maxDrawingPoints, penColours } from '../question/drawing.ts';
import { confidences, longestEntryLength, longestTextLength, type Response } from '../question/response.ts';
import { id, line } from './base-schemas.ts';
import { describes } from './describes.ts';

const confidence = v.optional(v.picklist(confidences));
const maxGiven = 60;

const coordinate = v.pipe(v.number(), v.integer(), v.minValue(-10_000), v.maxValue(40_000));
const place = v.tuple([coordinate, coordinate]);
const ofMark = {
  colour: v.picklist(penColours),
  size: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(2_000)),
};

const markSchema = describes<DrawingMark>()(
  v.variant('tool', [
    v.object({
      ...ofMark,
      tool: v.literal('pen'),
      points: v.pipe(
        v.array(coordinate),
        v.maxLength(maxDrawingPoints * 3),
        v.check((points) => points.length % 3 === 0),
      ),
    }),
    v.object({ ...ofMark, tool: v.picklist(['line', 'arrow', 'rect', 'ellipse']), from: place, to: place }),
    v.object({ ...ofMark, tool: v.literal('text'), at: place, text: line }),
  ]),
);

export const drawingSchema = describes<Drawing>()(
  v.object({
    marks: v.pipe(v.array(markSchema), v.maxLength(2_000)),
  }),
);

export const handedFileSchema = v.object({
  fileId: id,
  name: v.pipe(v.string(), v.maxLength(255)),
  mimeType: v.pipe(v.string(), v.maxLength(100)),
  byteLength: v.pipe(v.number(), v.integer(), v.minValue(0)),
});

const fraction = v.pipe(v.number(), v.minValue(0), v.maxValue(10_000));

export const responseSchema = describes<Response>()(
  v.variant('kind', [
    v.object({ kind: v.literal('choice'), optionIds: v.pipe(v.array(id), v.maxLength(500)), confidence }),
    v.object({
      kind: v.literal('gaps'),
      gaps: v.record(id, v.pipe(v.string(), v.maxLength(longestEntryLength))),
      confidence,
    }),
    v.object({ kind: v.literal('number'), text: v.pipe(v.string(), v.maxLength(longestEntryLength)), confidence }),
    v.object({ kind: v.literal('order'), itemIds: v.pipe(v.array(id), v.maxLength(maxGiven)), confidence }),
    v.object({
      kind: v.literal('pairs'),
      pairs: v.pipe(v.array(v.tuple([id, id])), v.maxLength(maxGiven)),
      confidence,
    }),
    v.object({
      kind: v.literal('points'),
      points: v.pipe(v.array(v.tuple([fraction, fraction])), v.maxLength(maxGiven)),
      confidence,
    }),
    v.object({ kind: v.literal('scale'), value: v.pipe(v.number(), v.finite()), confidence }),
    v.object({ kind: v.literal('extendedText'), text: v.pipe(v.string(), v.maxLength(longestTextLength)), confidence }),
    v.object({ kind: v.literal('drawing'), drawing: drawingSchema, confidence }),
    v.object({ kind: v.literal('files'), files: v.pipe(v.array(handedFileSchema), v.maxLength(10)), confidence }),
  ]),
);

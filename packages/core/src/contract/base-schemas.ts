import * as v from 'valibot';
import type { LessonPicture, Recording } from '../elements/recording.ts';
import { describes } from './describes.ts';

/** Long enough for what stands in a lesson inside a lesson inside a lesson. */
export const id = v.pipe(
  v.string(),
  v.minLength(1),
  v.maxLength(100),
  // Names that every object has already.
  v.check((name) => !(name in {}) && name !== 'prototype'),
);
export const timeMs = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(24 * 3_600_000));
export const line = v.pipe(v.string(), v.maxLength(500));
export const prose = v.pipe(v.string(), v.maxLength(20_000));

export const recordingSchema = describes<Recording>()(v.object({ materialId: id, words: prose }));

export const pictureSchema = describes<LessonPicture>()(v.object({ materialId: id, alt: line }));

/** Epoch milliseconds. */
export const instant = v.nullable(v.number());

/** Of a row that is named in an address or a body. */
export const rowId = v.pipe(v.string(), v.minLength(1), v.maxLength(64));

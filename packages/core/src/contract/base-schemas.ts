import * as v from 'valibot';
import { isTimeZone } from '../calendar/local-time.ts';
import type { LessonPicture, Recording } from '../elements/recording.ts';
import { tidyPersonName } from '../roster/person-name.ts';
import { isUserName } from '../roster/user-name.ts';
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

/** IANA name. */
export const timeZone = v.pipe(v.string(), v.maxLength(60), v.check(isTimeZone));

/** What a person, a class or a group is called: made tidy, and not empty. */
export const personName = v.pipe(v.string(), v.maxLength(1_000), v.transform(tidyPersonName), v.minLength(1));

export const email = v.pipe(v.string(), v.trim(), v.maxLength(200), v.toLowerCase(), v.email());

export const userName = v.pipe(v.string(), v.trim(), v.normalize('NFKC'), v.toLowerCase(), v.check(isUserName));

/** One that somebody chooses. Eight characters at least: NIST SP 800-63B, 5.1.1.2. */
export const newPassword = v.pipe(v.string(), v.minLength(8), v.maxLength(200));

/** What a link or a square holds. */
export const token = v.pipe(v.string(), v.minLength(20), v.maxLength(100));

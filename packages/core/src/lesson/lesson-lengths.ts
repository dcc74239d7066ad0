import { stopTimeMs } from './answer-time.ts';
import { hasLength, type PartKind } from './lesson.ts';

export interface LessonLengths {
  readonly filmMs: number;
  readonly readingMs: number;
  /** What its questions and notes take. */
  readonly answeringMs: number;
}

interface LongPart {
  readonly kind: PartKind;
  readonly inMs: number;
  readonly outMs: number;
  readonly stops: readonly Parameters<typeof stopTimeMs>[0][];
}

/** How long a lesson is, in ms: what there is to watch and to hear, what there is to read, and what there is to answer. */
export function lessonLengths(parts: readonly LongPart[]): LessonLengths {
  let filmMs = 0;
  let readingMs = 0;
  let answeringMs = 0;
  for (const { kind, inMs, outMs, stops } of parts) {
    if (kind === 'clip') filmMs += outMs - inMs;
    else if (hasLength({ kind })) readingMs += outMs - inMs;
    for (const stop of stops) answeringMs += stopTimeMs(stop);
  }
  return { filmMs, readingMs, answeringMs };
}

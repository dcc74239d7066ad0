import type { PartKind } from './lesson.ts';

export interface LessonLengths {
  readonly filmMs: number;
  readonly readingMs: number;
}

/** How long a lesson's windows are, in ms: what there is to watch and to hear, and what there is to read. */
export function lessonLengths(
  parts: readonly { readonly kind: PartKind; readonly inMs: number; readonly outMs: number }[],
): LessonLengths {
  let filmMs = 0;
  let readingMs = 0;
  for (const { kind, inMs, outMs } of parts)
    if (kind === 'clip') filmMs += outMs - inMs;
    else readingMs += outMs - inMs;
  return { filmMs, readingMs };
}

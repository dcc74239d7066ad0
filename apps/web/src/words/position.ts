import type { BlockAnchor } from '@semita/core/elements';
import { hasLength, type LessonLengths, type PartKind, type PartPosition } from '@semita/core/lesson';
import { formatClock, formatMinutes } from './format.ts';
import { t } from './words.ts';

/** Where a stop stands: 4:05 in a film, ¶ 3 in a text. */
export function formatPosition(
  kind: PartKind,
  { atMs, anchor }: { readonly atMs: number; readonly anchor?: BlockAnchor | undefined },
): string {
  if (kind === 'clip') return formatClock(atMs);
  if (!hasLength({ kind })) return '';
  return t(kind === 'reading' ? 'anchor.block' : 'anchor.slide', { number: anchor?.number ?? 0 });
}

/** Where what is led to begins: 4:05 in a film, ¶ 4 in a text, of which the place is behind ¶ 3. */
export function formatStart(kind: PartKind, { atMs, anchor }: PartPosition): string {
  return formatPosition(kind, { atMs, ...(anchor ? { anchor: { ...anchor, number: anchor.number + 1 } } : {}) });
}

/** How much there is: 3:11 of film, 4 min to read, 6 min of questions. */
export function formatLengths({ filmMs = 0, readingMs = 0, answeringMs = 0 }: Partial<LessonLengths>): string {
  const film = filmMs > 0 ? [t('anchor.film', { length: formatClock(filmMs) })] : [];
  const reading = readingMs > 0 ? [t('anchor.reading', { length: formatMinutes(readingMs) })] : [];
  const answering = answeringMs > 0 ? [t('anchor.answering', { length: formatMinutes(answeringMs) })] : [];
  return [...film, ...reading, ...answering].join(', ');
}

import type { Terms } from '../attempt/terms.ts';
import { tellsAtOnce } from './shown-now.ts';

/** What students have already walked by: changing it would move the ground under them. */
const groundTerms = ['skipping', 'rewindAtStops', 'turningBack', 'questionsWhenReached'] as const;

export type FixedTerm = (typeof groundTerms)[number] | 'attempts' | 'shown' | 'late';

/**
 * Which changes of terms somebody who has begun forbids; all others may be made at any time.
 * @param mostAttempts the greatest number that a student has begun; 0 where nobody has
 */
export function fixedTerms(before: Terms, after: Terms, mostAttempts: number): FixedTerm[] {
  if (mostAttempts === 0) return [];
  const moved: FixedTerm[] = groundTerms.filter((term) => (before[term] ?? false) !== (after[term] ?? false));
  if ((after.attempts ?? 1) < mostAttempts) moved.push('attempts');
  // With it, questions gain or lose their tries.
  if (tellsAtOnce(before.shown) !== tellsAtOnce(after.shown)) moved.push('shown');
  // With it, it would have been closed, or open, when work came in.
  if ((before.late?.kind === 'refused') !== (after.late?.kind === 'refused')) moved.push('late');
  return moved;
}

import type { Terms } from '../attempt/terms.ts';

/** Which of several attempts counts. */
export const countedChoices = ['last', 'first', 'best'] as const;
export type Counted = (typeof countedChoices)[number];

export interface NumberedAttempt {
  /** From 1. */
  readonly number: number;
  readonly handedInAt: number | null;
  readonly earned: number;
  readonly possible: number;
}

/**
 * The attempt that counts for a student. One that is not handed in counts only while no other is, so that beginning
 * again loses nothing; of equally good ones the later counts.
 * @returns undefined where there is none
 */
export function countedAttempt<A extends NumberedAttempt>(
  attempts: readonly A[],
  { counted = 'last' }: Pick<Terms, 'counted'>,
): A | undefined {
  if (attempts.length <= 1) return attempts[0];
  const inTurn = attempts.toSorted((a, b) => a.number - b.number);
  const handedIn = inTurn.filter(({ handedInAt }) => handedInAt !== null);
  const eligible = handedIn.length > 0 ? handedIn : inTurn;
  if (counted === 'first') return eligible[0];
  if (counted === 'last') return eligible.at(-1);
  return eligible.reduce((best, one) => (shareOf(one) >= shareOf(best) ? one : best));
}

/** Editions differ in what there is to earn, so shares are compared. */
const shareOf = ({ earned, possible }: NumberedAttempt): number => (possible > 0 ? earned / possible : 0);

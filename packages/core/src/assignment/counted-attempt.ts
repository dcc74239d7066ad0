import type { Terms } from '../attempt/terms.ts';
import type { Hundredths } from '../elements/points.ts';
import { latePercent } from './late-work.ts';

/** Which of several attempts counts. */
export const countedChoices = ['last', 'first', 'best', 'mean'] as const;
export type Counted = (typeof countedChoices)[number];

export interface NumberedAttempt {
  /** From 1. */
  readonly number: number;
  readonly handedInAt: number | null;
  readonly earned: Hundredths;
  readonly possible: Hundredths;
}

/** What a student's attempts come to. */
export interface Result<A extends NumberedAttempt> {
  /** The one that is shown for all: the one that counts, and of a mean the last of those it is made of. */
  readonly attempt: A;
  readonly earned: Hundredths;
  readonly possible: Hundredths;
  /** What was taken off for having been late, 0 to 100; of a mean, of the attempt that is shown. */
  readonly latePercent: number;
}

/**
 * What counts of a student's attempts. One that is not handed in counts only while no other is, so that beginning again
 * loses nothing; of equally good ones the later counts. What is taken off for being late is taken off each, before they
 * are compared. Common practice, no source.
 * @param dueAt the student's own, epoch ms
 * @returns undefined where there is none
 */
export function countedResult<A extends NumberedAttempt>(
  attempts: readonly A[],
  { counted = 'last', late }: Pick<Terms, 'counted' | 'late'>,
  dueAt: number | null,
): Result<A> | undefined {
  const resultOf = (attempt: A): Result<A> => {
    const percent = late ? latePercent(late, dueAt, attempt.handedInAt) : 0;
    const earned = percent === 0 ? attempt.earned : Math.round((attempt.earned * (100 - percent)) / 100);
    return { attempt, earned, possible: attempt.possible, latePercent: percent };
  };
  const [only] = attempts;
  if (attempts.length <= 1) return only && resultOf(only);
  const inTurn = attempts.toSorted((a, b) => a.number - b.number);
  const handedIn = inTurn.filter(({ handedInAt }) => handedInAt !== null);
  const eligible = (handedIn.length > 0 ? handedIn : inTurn).map(resultOf) as [Result<A>, ...Result<A>[]];
  const last = eligible.at(-1) ?? eligible[0];
  if (counted === 'first') return eligible[0];
  if (counted === 'last') return last;
  if (counted === 'best') return eligible.reduce((best, one) => (shareOf(one) >= shareOf(best) ? one : best));
  const mean = eligible.reduce((sum, one) => sum + shareOf(one), 0) / eligible.length;
  return { ...last, earned: Math.round(mean * last.possible) };
}

/** Editions differ in what there is to earn, so shares are compared. */
const shareOf = ({ earned, possible }: Pick<NumberedAttempt, 'earned' | 'possible'>): number =>
  possible > 0 ? earned / possible : 0;

/** What a result counts under an assignment's worth, where it has one of its own; rounded to hundredths. */
export function worthOf(
  { earned, possible }: Pick<NumberedAttempt, 'earned' | 'possible'>,
  worth: Hundredths,
): Hundredths {
  return possible > 0 ? Math.round((earned / possible) * worth) : 0;
}

import type { Hundredths } from '../elements/points.ts';
import type { Tries } from '../question/question.ts';
import type { Answer } from './attempt-state.ts';

interface Asked {
  readonly points: Hundredths;
  readonly tries?: Tries | undefined;
}

/**
 * Whether an answer may be given again: tries are left, and it did not earn all a first try can. In a browser, which
 * has no key, an answer whose worth is not known yet may be.
 */
export function mayTryAgain({ points, tries }: Asked, answer: Answer): boolean {
  if (tries === undefined || tryNumberOf(answer) >= tries.count) return false;
  const earned = earnedByResponse(answer);
  return earned === null || earned < points;
}

/** Which try an answer is, from 1; what was given again because it came back is a try like others. */
export function tryNumberOf({ earlier = [] }: Answer): number {
  return earlier.length + 1;
}

/**
 * Whether an answer may still be changed: tried again while its stop is open, or worked on again because it came back.
 * What this says decides everything that is shown: as long as it holds, nothing gives the key away.
 */
export function mayStillBeAnswered(question: Asked, answer: Answer, isOpen: boolean): boolean {
  return answer.returned === true || (isOpen && mayTryAgain(question, answer));
}

/** What the response itself came to, before a later try or a hint made it worth less; null while nobody knows. */
export function earnedByResponse({ earned, points }: Answer): Hundredths | null {
  return earned ?? points;
}

/**
 * What a try is worth.
 * @param earned what the response itself comes to, in hundredths
 * @param tryNumber from 1
 * @param hintCost taken off for a hint that was read
 */
export function worthOfTry(
  { tries }: Asked,
  earned: Hundredths,
  { tryNumber, hintCost }: { readonly tryNumber: number; readonly hintCost: Hundredths },
): Hundredths {
  const share = tryNumber > 1 && tries ? tries.laterPercent / 100 : 1;
  return Math.max(0, Math.round(earned * share) - hintCost);
}

import type { ShownTerms, ShownWhen } from '../attempt/terms.ts';

/** What of how something went its student is shown. */
export interface Shown {
  readonly points: boolean;
  readonly feedback: boolean;
  readonly keys: boolean;
}

export const allShown: Shown = { points: true, feedback: true, keys: true };

export interface ShownMoment {
  readonly handedInAt: number | null;
  /** The student's own, epoch ms. */
  readonly dueAt: number | null;
  /** When their teacher released it for everybody, epoch ms. */
  readonly releasedAt: number | null;
  readonly now: number;
}

/**
 * What an attempt shows its student at a moment. What its teacher has released is shown, whatever the terms say. Without
 * a due date, what is shown after it is shown when it is handed in.
 */
export function shownNow(terms: ShownTerms | undefined, moment: ShownMoment): Shown {
  if (!terms || moment.releasedAt !== null) return allShown;
  const { points, feedback, keys } = terms;
  return { points: isShown(points, moment), feedback: isShown(feedback, moment), keys: isShown(keys, moment) };
}

function isShown(when: ShownWhen = 'atOnce', { handedInAt, dueAt, now }: ShownMoment): boolean {
  if (when === 'atOnce') return true;
  if (when === 'whenReleased') return false;
  return when === 'afterDue' && dueAt !== null ? now > dueAt : handedInAt !== null;
}

/** Whether how an answer went is told while more can be answered: else nothing can be tried again, which would tell. */
export const tellsAtOnce = (terms: ShownTerms | undefined): boolean =>
  (terms?.points ?? 'atOnce') === 'atOnce' && (terms?.keys ?? 'atOnce') === 'atOnce';

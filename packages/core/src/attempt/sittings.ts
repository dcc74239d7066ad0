import { teacherSittingId } from './attempt-event.ts';
import type { AttemptState, Sitting } from './attempt-state.ts';

/** Sittings that are kept in the state; who opens a lesson more often is known by the latest of them. */
export const maxSittings = 40;

/** Stretches of missing numbers kept of one sitting. */
const maxMissing = 20;

/** The state with a sitting as it is now. The one that was not heard of for longest gives way. */
export function withSitting(state: AttemptState, sittingId: string, sitting: Sitting): AttemptState {
  const { intake } = state;
  const sittings = { ...intake.sittings, [sittingId]: sitting };
  if (!(sittingId in intake.sittings) && Object.keys(sittings).length > maxSittings) {
    const oldest = Object.entries(sittings)
      .filter(([id]) => id !== teacherSittingId && id !== sittingId)
      .reduce((a, b) => (b[1].heardAt < a[1].heardAt ? b : a));
    delete sittings[oldest[0]];
  }
  return { ...state, intake: { ...intake, sittings } };
}

/** Whether an event of this number has been seen. */
export function isSeen(sitting: Sitting | undefined, n: number): boolean {
  if (!sitting || n >= sitting.next) return false;
  return !(sitting.missing ?? []).some(([first, last]) => n >= first && n <= last);
}

/**
 * The numbers of a sitting after one of them was seen, or those from `first` on together; those that were jumped over
 * are remembered.
 */
export function afterNumber(
  sitting: Pick<Sitting, 'next' | 'missing'> | undefined,
  n: number,
  first = n,
): Pick<Sitting, 'next' | 'missing'> {
  const next = sitting?.next ?? 0;
  const missing = sitting?.missing ?? [];
  if (n >= next) {
    const all = first > next ? [...missing, [next, first - 1] as const].slice(-maxMissing) : missing;
    return { next: n + 1, ...(all.length > 0 ? { missing: all } : {}) };
  }
  const left = missing.flatMap(([first, last]): (readonly [number, number])[] => {
    if (n < first || n > last) return [[first, last]];
    return [...(n > first ? [[first, n - 1] as const] : []), ...(n < last ? [[n + 1, last] as const] : [])];
  });
  return { next, ...(left.length > 0 ? { missing: left } : {}) };
}

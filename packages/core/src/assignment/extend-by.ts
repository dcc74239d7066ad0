import { Temporal } from 'temporal-polyfill';
import type { Adjustment } from './effective-terms.ts';
import type { AssignmentWindow } from './window.ts';

/**
 * A window with some more days, as a teacher means it who presses "one week more": the same time of day, so many days
 * later, on the clock of the assignment. What is over is counted from now. What closes after it was due keeps its distance,
 * and never closes before it is due.
 * @param days whole, from 1
 * @param timeZone IANA name
 * @param now epoch ms
 * @returns null for a window without an end: there is nothing to extend
 */
export function extendedBy(
  { opensAt, dueAt, closesAt }: AssignmentWindow,
  days: number,
  timeZone: string,
  now: number,
): AssignmentWindow | null {
  const end = dueAt ?? closesAt;
  if (end === null) return null;
  const zoned = (instant: number) => Temporal.Instant.fromEpochMilliseconds(instant).toZonedDateTimeISO(timeZone);
  const later = (instant: number, by: number) => zoned(instant).add({ days: by }).epochMilliseconds;
  // Days that have gone by since are given on top, so that there are as many left as were asked for.
  const gone =
    end >= now
      ? 0
      : zoned(end).until(zoned(now), { largestUnit: 'days', smallestUnit: 'days', roundingMode: 'ceil' }).days;
  const all = days + gone;
  const due = dueAt === null ? null : later(dueAt, all);
  const closes = closesAt === null ? null : Math.max(later(closesAt, all), due ?? 0);
  return { opensAt, dueAt: due, closesAt: closes };
}

/**
 * What takes back the last change of a student's own dates: the dates of before that are theirs again, or their end.
 * @param adjustments of the student, in the order of their instants
 * @param at when it is taken back, epoch ms
 * @returns null where their dates were never changed
 */
export function datesTakenBack(adjustments: readonly Adjustment[], at: number): Adjustment | null {
  const [before, last] = [undefined, undefined, ...adjustments.filter(isOfDates)].slice(-2);
  if (!last) return null;
  return before?.kind === 'extended' ? { kind: 'extended', window: before.window, at } : { kind: 'extensionEnded', at };
}

const isOfDates = ({ kind }: Adjustment): boolean => kind === 'extended' || kind === 'extensionEnded';

import { Temporal } from 'temporal-polyfill';
import { type SchoolDays, sameDayInTerm } from '../calendar/school-days.ts';
import type { OrderedWindow } from './window.ts';

/**
 * A window of before, given again: into the same week of the term that goes on or comes next, where the school's calendar
 * knows both terms; else by as many whole weeks as bring its first date to today or later. Days of the week and times of
 * day stay what they were.
 * @param window in local times of one clock, as `2026-12-03T23:59`
 * @param today `2027-01-18`, on the same clock
 */
export function movedAhead(
  window: OrderedWindow<string>,
  today: string,
  schoolDays: readonly SchoolDays[] = [],
): OrderedWindow<string> {
  const first = window.opensAt ?? window.dueAt ?? window.closesAt;
  if (first === null) return window;
  const day = first.slice(0, 10);
  const inTerm = sameDayInTerm(schoolDays, day, today);
  const daysUntil = (other: string) => Temporal.PlainDate.from(day).until(other, { largestUnit: 'days' }).days;
  // A week of this term that is over already is of no use.
  const days = inTerm !== null && inTerm >= today ? daysUntil(inTerm) : daysUntil(today);
  const weeks = Math.max(0, Math.ceil(days / 7));
  const moved = (local: string | null) =>
    local === null ? null : Temporal.PlainDateTime.from(local).add({ weeks }).toString({ smallestUnit: 'minute' });
  return { opensAt: moved(window.opensAt), dueAt: moved(window.dueAt), closesAt: moved(window.closesAt) };
}

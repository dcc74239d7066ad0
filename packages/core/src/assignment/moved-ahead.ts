import { Temporal } from 'temporal-polyfill';
import type { OrderedWindow } from './window.ts';

/**
 * A window of before, given again: moved by as many whole weeks as bring its first date to today or later, so that days
 * of the week and times of day stay what they were.
 * @param window in local times of one clock, as `2026-12-03T23:59`
 * @param today `2027-01-18`, on the same clock
 */
export function movedAhead(window: OrderedWindow<string>, today: string): OrderedWindow<string> {
  const first = window.opensAt ?? window.dueAt ?? window.closesAt;
  if (first === null) return window;
  const { days } = Temporal.PlainDate.from(first.slice(0, 10)).until(today, { largestUnit: 'days' });
  const weeks = Math.max(0, Math.ceil(days / 7));
  const moved = (local: string | null) =>
    local === null ? null : Temporal.PlainDateTime.from(local).add({ weeks }).toString({ smallestUnit: 'minute' });
  return { opensAt: moved(window.opensAt), dueAt: moved(window.dueAt), closesAt: moved(window.closesAt) };
}

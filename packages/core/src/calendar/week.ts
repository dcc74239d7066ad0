import { Temporal } from 'temporal-polyfill';

/**
 * The seven days of the week that a day lies in, Monday first (ISO 8601).
 * @param date `2026-12-03`
 */
export function weekOf(date: string): string[] {
  const day = Temporal.PlainDate.from(date);
  const monday = day.subtract({ days: day.dayOfWeek - 1 });
  return Array.from({ length: 7 }, (_, days) => monday.add({ days }).toString());
}

/** The same day of the week, so many weeks later, or before. */
export function weeksLater(date: string, weeks: number): string {
  return Temporal.PlainDate.from(date).add({ weeks }).toString();
}

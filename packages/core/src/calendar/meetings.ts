import { Temporal } from 'temporal-polyfill';
import { dayOffOn, type SchoolDays } from './school-days.ts';

/** When a class meets each week, on its own clock. */
export interface Meeting {
  /** From 1, Monday, to 7 (ISO 8601). */
  readonly weekday: number;
  /** `08:15` */
  readonly time: string;
}

/** Longer than any holiday. */
const daysLookedAt = 120;

/**
 * When a class meets next, `2026-12-03T08:15`; not on days without school.
 * @param now on the class's clock, as `2026-12-01T12:00`
 * @returns null where it never meets
 */
export function nextMeeting(
  meetings: readonly Meeting[],
  now: string,
  schoolDays: readonly SchoolDays[] = [],
): string | null {
  const today = Temporal.PlainDate.from(now.slice(0, 10));
  const inTurn = meetings.toSorted((a, b) => a.time.localeCompare(b.time));
  for (let days = 0; days <= daysLookedAt; days++) {
    const day = today.add({ days });
    if (dayOffOn(schoolDays, day.toString()) !== null) continue;
    const next = inTurn.find(({ weekday, time }) => weekday === day.dayOfWeek && `${day}T${time}` > now);
    if (next) return `${day}T${next.time}`;
  }
  return null;
}

import { guessSchoolDayKind, type SchoolDays } from '@semita/core/calendar';
import ICAL from 'ical.js';

export interface ReadCalendar {
  readonly days: readonly SchoolDays[];
  /** Entries that are no whole days, or repeat: a school's calendar of terms has none. */
  readonly leftOut: number;
}

/** More is no calendar of a school. */
const maxLength = 1_000_000;

/**
 * Terms and days without school from an iCalendar file (RFC 5545): its entries of whole days.
 * @throws Error where it is none
 */
export function readCalendar(text: string): ReadCalendar {
  if (text.length > maxLength) throw new Error('Too long');
  const events = new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vevent');
  const days = events.flatMap((component): SchoolDays[] => {
    const event = new ICAL.Event(component);
    const { summary, startDate, endDate } = event;
    if (!startDate?.isDate || event.isRecurring() || !summary?.trim()) return [];
    // The end of an entry of whole days is the day after it.
    const last = endDate ? endDate.clone() : startDate.clone();
    if (endDate && endDate.compare(startDate) > 0) last.adjust(-1, 0, 0, 0);
    const title = summary.trim().slice(0, 200);
    return [{ title, kind: guessSchoolDayKind(title), firstDay: String(startDate), lastDay: String(last) }];
  });
  return { days, leftOut: events.length - days.length };
}

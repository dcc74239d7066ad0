import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';

/** A date that a person is to know of. */
export interface CalendarDate {
  /** The same for the same date, whenever it is written: a calendar moves what it knows. */
  readonly id: string;
  readonly title: string;
  readonly description: string;
  /** Where it leads. */
  readonly url: string;
  /** Epoch ms. */
  readonly at: number;
  /** Grows whenever the date was changed (RFC 5545, 3.8.7.4). */
  readonly sequence: number;
}

/**
 * Dates as iCalendar (RFC 5545). Instants in UTC and nothing else: every calendar shows them on its own clock, and no
 * program has to know the summers of a zone.
 * @param now when it is written, epoch ms
 */
export function writeCalendar(
  name: string,
  dates: readonly CalendarDate[],
  { now, alarmMinutes }: { readonly now: number; readonly alarmMinutes: number | null },
): string {
  const calendar = ical({ name, prodId: { company: 'Semita', product: 'Semita' }, method: ICalCalendarMethod.PUBLISH });
  // Calendars that ask by themselves do it about so often.
  calendar.ttl(3_600);
  for (const { id, title, description, url, at, sequence } of dates) {
    const event = calendar.createEvent({
      ...{ id: `${id}@semita`, summary: title, description, url, sequence },
      ...{ start: new Date(at), stamp: new Date(now) },
    });
    if (alarmMinutes !== null && at > now)
      event.createAlarm({ type: ICalAlarmType.display, triggerBefore: alarmMinutes * 60, description: title });
  }
  return calendar.toString();
}

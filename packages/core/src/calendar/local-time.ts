import { Temporal } from 'temporal-polyfill';

/**
 * The instant of a date and time on a class's clock.
 * @param local `2026-12-03T23:59` (seconds allowed), as a form gives it
 * @param timeZone IANA name
 * @returns epoch ms. In the hour that daylight saving skips, the later reading; in the hour it repeats, the first
 *   (Temporal "compatible", the rule of RFC 5545)
 * @throws RangeError when the text is not a date and time, or the zone is unknown
 */
export function toInstant(local: string, timeZone: string): number {
  return Temporal.PlainDateTime.from(local).toZonedDateTime(timeZone, { disambiguation: 'compatible' })
    .epochMilliseconds;
}

/** The date and time on a class's clock, as `2026-12-03T23:59`, ready for a form. */
export function toLocal(instantMs: number, timeZone: string): string {
  // Clocks tell fractions of a millisecond as well; calendars do not.
  const zoned = Temporal.Instant.fromEpochMilliseconds(Math.floor(instantMs)).toZonedDateTimeISO(timeZone);
  return zoned.toPlainDateTime().toString({ smallestUnit: 'minute' });
}

/** The last second of a day on a class's clock: "due on the 14th" means 23:59:59 there. */
export function endOfDay(date: string, timeZone: string): number {
  return toInstant(`${date}T23:59:59`, timeZone);
}

/** Whether this is the name of a time zone that clocks here know (IANA). A fixed distance from UTC is none: it knows no summer. */
export function isTimeZone(name: string): boolean {
  if (!/^[A-Za-z]/.test(name)) return false;
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

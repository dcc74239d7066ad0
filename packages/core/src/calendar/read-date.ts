import { Temporal } from 'temporal-polyfill';

/** In which order a place writes day, month and year. */
export type DateOrder = 'dmy' | 'mdy' | 'ymd';

/** @param locale BCP 47 tag; how its numbers and calendar are does not matter (Unicode extensions ca-gregory, nu-latn) */
export function dateOrderOf(locale: string): DateOrder {
  const parts = new Intl.DateTimeFormat(`${locale}-u-ca-gregory-nu-latn`).formatToParts(0);
  const order = parts.flatMap(({ type }) => (['day', 'month', 'year'].includes(type) ? [type.charAt(0)] : []));
  const found = order.join('');
  return found === 'mdy' || found === 'ymd' ? found : 'dmy';
}

/** A date as it was meant, and a time where one was said. */
export interface ReadDate {
  /** `2026-12-03` */
  readonly date: string;
  /** `23:59` */
  readonly time: string | null;
}

interface Place {
  /** The day it is on the clock that counts, `2026-12-01`. */
  readonly today: string;
  readonly order: DateOrder;
}

const weekdays = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const oneWeekday = /^(next |on |this )?(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?$/;
const weekdayBefore = /^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.? /;
const dayAndMonth =
  /^(\d{1,2})(?:st|nd|rd|th|\.)? ?(?:of )?(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?(?: (\d{4}))?$/;
const monthAndDay =
  /^(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.? (\d{1,2})(?:st|nd|rd|th|\.)?(?: (\d{4}))?$/;

/**
 * Reads a date as people type it: `14.3.`, `3/14`, `2027-03-14`, `3 Dec`, `Thu 3 Dec 2026, 23:59`, `today`, `tomorrow`,
 * `Fri` (the coming one), `next Fri` (of the week after this one), `in 3 days`, `in 2 weeks`; each with or without a time.
 * A date without a year is the next one that comes, today included.
 * @returns null where it can be no date
 */
export function readDate(text: string, { today, order }: Place): ReadDate | null {
  const { rest, time } = withoutTime(plain(text));
  if (time === 'none') return null;
  const date = dateOf(rest, Temporal.PlainDate.from(today), order);
  return date && { date: date.toString(), time };
}

/** Small letters, Western digits, nothing that only steers how it is written. */
function plain(text: string): string {
  return text
    .normalize('NFKC')
    .replace(/[\p{Cf}]/gu, '')
    .replace(/\p{Nd}/gu, (digit) => (/\d/.test(digit) ? digit : String(valueOfDigit(digit))))
    .toLowerCase()
    .replace(/[,،]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Decimal digits of a script stand in ten places in a row that begin at a multiple of ten or six (Unicode, 4.6): found by going back to the first. */
function valueOfDigit(digit: string): number {
  const code = digit.codePointAt(0) ?? 0;
  let value = 0;
  while (value < 9 && /\p{Nd}/u.test(String.fromCodePoint(code - value - 1))) value += 1;
  return value;
}

/** A time at the end: with a colon, or with am or pm. `none` for one that is none. */
function withoutTime(text: string): { readonly rest: string; readonly time: string | null | 'none' } {
  const found = /(?:^|[\s t]|(?<=\dt))(?:at )?(\d{1,2})(?::(\d{2}))?(?::\d{2})? ?(am|pm)?$/.exec(text);
  const [whole = '', hours = '', minutes, half] = found ?? [];
  if (!found || (minutes === undefined && half === undefined)) return { rest: text, time: null };
  const rest = text.slice(0, found.index).replace(/t$/, '').replace(/ at$/, '').trim();
  const hour = half === undefined ? Number(hours) : (Number(hours) % 12) + (half === 'pm' ? 12 : 0);
  const isTime =
    hour < 24 && Number(minutes ?? 0) < 60 && !(half !== undefined && (Number(hours) > 12 || hours === '0'));
  if (!isTime) return { rest, time: 'none' };
  return { rest: whole === text ? '' : rest, time: `${String(hour).padStart(2, '0')}:${minutes ?? '00'}` };
}

function dateOf(text: string, today: Temporal.PlainDate, order: DateOrder): Temporal.PlainDate | null {
  if (text === '' || text === 'today') return today;
  if (text === 'tomorrow') return today.add({ days: 1 });
  const after = /^in (\d{1,3}|a|one) (day|week)s?$/.exec(text);
  if (after) {
    const count = /\d/.test(after[1] ?? '') ? Number(after[1]) : 1;
    return after[2] === 'week' ? today.add({ weeks: count }) : today.add({ days: count });
  }
  const weekday = oneWeekday.exec(text);
  if (weekday) {
    const wanted = weekdays.indexOf(weekday[2] ?? '') + 1;
    if (weekday[1] === 'next ') return today.subtract({ days: today.dayOfWeek - 1 }).add({ days: 7 + wanted - 1 });
    return today.add({ days: ((wanted - today.dayOfWeek + 6) % 7) + 1 });
  }
  // “Thu 3 Dec”: the date says it.
  const date = text.replace(weekdayBefore, '');
  return byMonthName(date, today) ?? byNumbers(date, today, order);
}

function byMonthName(text: string, today: Temporal.PlainDate): Temporal.PlainDate | null {
  const dayFirst = dayAndMonth.exec(text);
  if (dayFirst) return dateFrom(dayFirst[3], months.indexOf(dayFirst[2] ?? '') + 1, dayFirst[1], today);
  const monthFirst = monthAndDay.exec(text);
  return monthFirst && dateFrom(monthFirst[3], months.indexOf(monthFirst[1] ?? '') + 1, monthFirst[2], today);
}

function byNumbers(text: string, today: Temporal.PlainDate, order: DateOrder): Temporal.PlainDate | null {
  const found = /^(\d{1,4})[./\- ]{1,2}(\d{1,2})(?:[./\- ]{1,2}(\d{1,4}))?\.?$/.exec(text);
  if (!found) return null;
  const [, a = '', b = '', c] = found;
  if (a.length === 4) return c === undefined ? null : dateFrom(a, Number(b), c, today);
  if (a.length > 2 || c?.length === 1 || c?.length === 3) return null;
  if (order === 'ymd' && c !== undefined && c.length === 2) return dateFrom(`20${a}`, Number(b), c, today);
  const year = c?.length === 2 ? `20${c}` : c;
  // With dots the day comes first wherever they are used; and what can be no month is the day.
  const isDayFirst = order === 'dmy' || text.includes('.') || Number(a) > 12;
  return isDayFirst ? dateFrom(year, Number(b), a, today) : dateFrom(year, Number(a), b, today);
}

function dateFrom(
  year: string | undefined,
  month: number,
  day: string | undefined,
  today: Temporal.PlainDate,
): Temporal.PlainDate | null {
  const make = (inYear: number) => {
    try {
      return Temporal.PlainDate.from({ year: inYear, month, day: Number(day) }, { overflow: 'reject' });
    } catch {
      return null;
    }
  };
  if (year !== undefined) return Number(year) >= 1900 ? make(Number(year)) : null;
  // The next one that comes; 29 February may take some years.
  for (let later = 0; later <= 8; later += 1) {
    const date = make(today.year + later);
    if (date && Temporal.PlainDate.compare(date, today) >= 0) return date;
  }
  return null;
}

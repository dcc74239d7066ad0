import { Temporal } from 'temporal-polyfill';

/** What a school's calendar says of days: that a term goes on, or that there is no school. */
export const schoolDayKinds = ['term', 'off'] as const;
export type SchoolDayKind = (typeof schoolDayKinds)[number];

/** Civil days `2026-12-03`, the last one included. */
export interface SchoolDays {
  readonly title: string;
  readonly kind: SchoolDayKind;
  readonly firstDay: string;
  readonly lastDay: string;
}

/** Words that mean a term in calendars of schools; from memory. All else is taken for days off, and can be changed. */
const termWords = /\bterm\b|semester|trimester|halbjahr|schuljahr|trimestre|semestre|termin\b|lukukausi|school year/i;

/** What an entry of a calendar probably is. */
export const guessSchoolDayKind = (title: string): SchoolDayKind => (termWords.test(title) ? 'term' : 'off');

/** Why there is no school on a day; null where there is. */
export function dayOffOn(all: readonly SchoolDays[], day: string): string | null {
  return all.find(({ kind, firstDay, lastDay }) => kind === 'off' && firstDay <= day && day <= lastDay)?.title ?? null;
}

/** The term in which a day lies; null between terms. */
export function termOf(all: readonly SchoolDays[], day: string): SchoolDays | null {
  return all.find(({ kind, firstDay, lastDay }) => kind === 'term' && firstDay <= day && day <= lastDay) ?? null;
}

/**
 * The same day in another term: as many weeks after its beginning, on the same day of the week.
 * @returns null where the day lies in no term, or no term goes on or begins at `today` or later
 */
export function sameDayInTerm(all: readonly SchoolDays[], day: string, today: string): string | null {
  const terms = all.filter(({ kind }) => kind === 'term').toSorted((a, b) => a.firstDay.localeCompare(b.firstDay));
  const old = termOf(terms, day);
  const now = terms.find(({ lastDay }) => lastDay >= today);
  if (!old || !now) return null;
  const monday = (text: string) => {
    const date = Temporal.PlainDate.from(text);
    return date.subtract({ days: date.dayOfWeek - 1 });
  };
  const { days } = monday(old.firstDay).until(monday(now.firstDay), { largestUnit: 'days' });
  return Temporal.PlainDate.from(day).add({ days }).toString();
}

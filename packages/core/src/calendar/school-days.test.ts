import { describe, expect, test } from 'vitest';
import { dayOffOn, guessSchoolDayKind, type SchoolDays, sameDayInTerm } from './school-days.ts';

const days = (kind: SchoolDays['kind'], title: string, firstDay: string, lastDay = firstDay): SchoolDays => ({
  ...{ kind, title, firstDay, lastDay },
});
const all = [
  days('term', 'Autumn term 2026', '2026-08-19', '2026-12-18'),
  days('off', 'Autumn break', '2026-10-26', '2026-10-30'),
  days('term', 'Autumn term 2027', '2027-08-18', '2027-12-17'),
];

test.each([
  ['Autumn term', 'term'],
  ['2. Halbjahr 2026/27', 'term'],
  ['Winter break', 'off'],
  ['Determination day', 'off'],
])('%s is probably %s', (title, kind) => expect(guessSchoolDayKind(title)).toBe(kind));

test.each([
  ['2026-10-25', null],
  ['2026-10-26', 'Autumn break'],
  ['2026-10-30', 'Autumn break'],
  ['2026-10-31', null],
])('on %s: %s', (day, why) => expect(dayOffOn(all, day)).toBe(why));

describe('the same day of another term', () => {
  test.each([
    // A Thursday in the 16th week of its term; weeks counted on printed calendars of both years.
    ['2026-12-03', '2027-06-01', '2027-12-02'],
    // In its first week, on a Wednesday.
    ['2026-08-19', '2027-08-20', '2027-08-18'],
    // In no term; and after the last term that is known.
    ['2026-07-01', '2027-06-01', null],
    ['2026-12-03', '2028-01-01', null],
    // While the term still goes on it is that day.
    ['2026-12-03', '2026-12-01', '2026-12-03'],
  ])('%s, asked on %s: %s', (day, today, same) => expect(sameDayInTerm(all, day, today)).toBe(same));
});

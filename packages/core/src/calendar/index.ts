export { localDay } from './local-day.ts';
export { endOfDay, isTimeZone, toInstant, toLocal } from './local-time.ts';
export { type Meeting, nextMeeting } from './meetings.ts';
export { type DateOrder, dateOrderOf, type ReadDate, readDate } from './read-date.ts';
export {
  dayOffOn,
  guessSchoolDayKind,
  type SchoolDayKind,
  type SchoolDays,
  sameDayInTerm,
  schoolDayKinds,
  termOf,
} from './school-days.ts';
export { weekOf, weeksLater } from './week.ts';

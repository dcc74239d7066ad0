// What a teacher's day begins with.
export {
  type DayDate,
  type DayNeed,
  type DayNeedKind,
  type DaySummary,
  dayNeedKinds,
  overnightSince,
  type TeacherDay,
  teacherDay,
} from './today.ts';

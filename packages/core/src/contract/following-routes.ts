import { stopFiguresSchema, studentLinesSchema, watchingSchema } from './following-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

/** Doors for what is read off the work of many. */
export const followingRoutes = {
  /** What the answers say of the questions, and who may need the same next. */
  readStopFigures: route(...routePaths.readStopFigures, 'teacher', { output: stopFiguresSchema }),
  /** How the parts were watched and read, by who has begun. */
  readWatching: route(...routePaths.readWatching, 'teacher', { output: watchingSchema }),
  /** One student over all that was given to their class. */
  readStudentLines: route(...routePaths.readStudentLines, 'teacher', { output: studentLinesSchema }),
  /** The sheet, and all answers in long form, to be opened by a spreadsheet. */
  exportSheet: route(...routePaths.exportSheet, 'teacher'),
  exportSheetWorkbook: route(...routePaths.exportSheetWorkbook, 'teacher'),
  exportAnswers: route(...routePaths.exportAnswers, 'teacher'),
  exportAnswersWorkbook: route(...routePaths.exportAnswersWorkbook, 'teacher'),
} as const;

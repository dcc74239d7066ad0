import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { takeInAll } from '../reducer/take-in.ts';
import { type SheetRow, sheetRowOf } from '../sheet/sheet-row.ts';
import { bridgeLesson, createSitting, wholeWalk } from './bridge-lesson.ts';

export const rowStartAt = 1_000_000;

/** The row of the sheet after so many steps of an honest walk. */
export function rowAfter(count: number): SheetRow {
  const event = createSitting('a', rowStartAt);
  const context = createContext(bridgeLesson, defaultTerms);
  const begun = beginAttempt({ begunAt: rowStartAt, secret: 'of a test' });
  return sheetRowOf(
    bridgeLesson,
    takeInAll(
      context,
      begun,
      wholeWalk.slice(0, count).map((body) => event(body)),
    ),
  );
}

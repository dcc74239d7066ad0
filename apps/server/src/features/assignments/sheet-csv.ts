import { isLate, needOf, type StopMark, sheetStops, type WalkLesson } from '@semita/core';
import { toLocal } from '@semita/core/calendar';
import type { Sheet } from '@semita/core/contract';
import Papa from 'papaparse';

/**
 * The sheet as CSV by RFC 4180: CRLF, quotes doubled, a header. Cells that a spreadsheet would take for a formula
 * are led by an apostrophe. A byte order mark tells spreadsheets that it is UTF-8.
 */
export function sheetToCsv(sheet: Sheet, lesson: WalkLesson): string {
  const { timeZone, dueAt } = sheet.assignment;
  const stops = sheetStops(lesson);
  const instant = (ms: number | null | undefined) => (ms == null ? '' : toLocal(ms, timeZone).replace('T', ' '));
  const header = [
    'Student',
    'Needs',
    'Progress %',
    'Met %',
    'Minutes',
    `Last seen (${timeZone})`,
    `Handed in (${timeZone})`,
    'Late',
    'Points',
    'Of',
    ...stops.map((_, index) => `Stop ${index + 1}: ${sheet.stops[index]?.label ?? ''}`),
  ];
  const rows = sheet.students.map(({ displayName, excused, row }) => [
    displayName,
    needOf(row, { excused, dueAt, now: sheet.now }),
    row ? Math.round(row.progress * 100) : 0,
    row ? Math.round(row.metShare * 100) : 0,
    row ? Math.round(row.timeSpentMs / 60_000) : 0,
    instant(row?.lastSeenAt),
    instant(row?.handedInAt),
    isLate(row, dueAt) ? 'yes' : '',
    row ? row.earned / 100 : '',
    row ? row.possible / 100 : '',
    ...stops.map((_, index) => cellOf(row?.marks[index])),
  ]);
  return `\ufeff${Papa.unparse([header, ...rows], { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}

function cellOf(mark: StopMark | undefined): string {
  if (!mark) return 'ahead';
  const isMarked = mark.state === 'full' || mark.state === 'partial' || mark.state === 'none';
  return isMarked ? `${mark.earned / 100} of ${mark.possible / 100}` : mark.state;
}

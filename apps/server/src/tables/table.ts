import { toLocal } from '@semita/core/calendar';
import Papa from 'papaparse';
import writeWorkbook from 'write-excel-file/node';

/** A moment, epoch ms, which is written as the clock of the table's time zone shows it. */
export interface TableInstant {
  readonly instant: number;
}

/** Empty where there is nothing to say. */
export type TableCell = string | number | TableInstant;

/** Something to be opened by a spreadsheet. */
export interface Table {
  readonly name: string;
  readonly timeZone: string;
  readonly headings: readonly string[];
  readonly rows: readonly (readonly TableCell[])[];
}

export const atInstant = (instant: number | null | undefined): TableCell => (instant == null ? '' : { instant });

/**
 * A table as CSV by RFC 4180: CRLF, quotes doubled, a header. Cells that a spreadsheet would take for a formula are
 * led by an apostrophe. A byte order mark tells spreadsheets that it is UTF-8.
 */
export function writeCsv({ timeZone, headings, rows }: Table): string {
  const clockAt = wallClock(timeZone);
  const cells = rows.map((row) =>
    row.map((cell) => (typeof cell === 'object' ? clockAt(cell).replace('T', ' ') : cell)),
  );
  return `\ufeff${Papa.unparse([headings, ...cells], { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}

/** The clock of a time zone at moments, `2026-11-24T10:43`; each minute is looked up once, for a table has thousands of them. */
function wallClock(timeZone: string): (instant: TableInstant) => string {
  const known = new Map<number, string>();
  return ({ instant }) => {
    const minute = Math.floor(instant / 60_000);
    const before = known.get(minute);
    if (before !== undefined) return before;
    const text = toLocal(minute * 60_000, timeZone);
    known.set(minute, text);
    return text;
  };
}

/** The widest a column is made by itself, in characters. */
const widest = 60;

/**
 * A table as a workbook by ECMA-376 (Office Open XML): numbers are numbers, moments are dates on the wall clock of the
 * time zone, for a workbook knows no zones; the headings and the first column stay in sight.
 */
export function writeXlsx({ name, timeZone, headings, rows }: Table): Promise<Buffer> {
  const columns = headings.map((heading, column) => {
    const lengths = rows.map((row) => widthOf(row[column] ?? ''));
    return { width: Math.min(widest, Math.max(heading.length, ...lengths.slice(0, 1_000)) + 2) };
  });
  const clockAt = wallClock(timeZone);
  const cells = rows.map((row) =>
    row.map((cell) => {
      if (cell === '') return null;
      if (typeof cell === 'number') return { value: cell, type: Number };
      if (typeof cell === 'string') return { value: forXml(cell), type: String };
      return { value: new Date(`${clockAt(cell)}Z`), type: Date, format: 'yyyy-mm-dd hh:mm' };
    }),
  );
  const head = headings.map((value) => ({ value: forXml(value), type: String, fontWeight: 'bold' as const }));
  return writeWorkbook([head, ...cells], {
    columns,
    stickyRowsCount: 1,
    stickyColumnsCount: 1,
    sheet: name,
  }).toBuffer();
}

const widthOf = (cell: TableCell): number => (typeof cell === 'object' ? 16 : String(cell).length);

/** What XML 1.0 cannot hold at all is left out; a cell holds 32,767 characters at most. */
const forXml = (text: string): string =>
  // biome-ignore lint/suspicious/noControlCharactersInRegex: these are the ones that are not allowed
  text.replace(/[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g, '').slice(0, 32_767);

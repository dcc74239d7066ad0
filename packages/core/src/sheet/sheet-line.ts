import { decodeSheetRow, type SheetRow } from './sheet-row.ts';

/** One student of a sheet. */
export interface SheetStudent {
  readonly studentId: string;
  readonly displayName: string;
  readonly excused: boolean;
  /** Null for who has not begun. */
  readonly row: SheetRow | null;
}

/** The same as it is stored and sent: a twentieth of the size, and nothing is computed to send it. */
export interface SheetLine extends Omit<SheetStudent, 'row'> {
  /** As `encodeSheetRow` wrote it. */
  readonly row: string | null;
}

export function readSheetLine({ row, ...student }: SheetLine): SheetStudent {
  return { ...student, row: row === null ? null : decodeSheetRow(row) };
}

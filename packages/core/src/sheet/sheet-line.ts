import type { Terms } from '../attempt/terms.ts';
import type { Hundredths } from '../elements/points.ts';
import { type Need, needOf, outlineOf } from './attempt-outline.ts';
import { decodeSheetRow, type SheetRow } from './sheet-row.ts';

/** One student of a sheet. */
export interface SheetStudent {
  readonly studentId: string;
  readonly displayName: string;
  readonly excused: boolean;
  /** It reached them only after it was due, and they have done nothing about it yet. */
  readonly cameTooLate?: true | undefined;
  /** Came by a link that is open to anyone, and is no student of the class. */
  readonly isGuest?: true | undefined;
  /** When it is due for this student, epoch ms. */
  readonly dueAt: number | null;
  /** Since when they no longer receive it, epoch ms; absent while they do. */
  readonly leftAt?: number | undefined;
  /** Which attempt this is, of how many that were begun; absent where there is one at most. */
  readonly attempt?: { readonly number: number; readonly count: number } | undefined;
  /** What the attempts come to, where that is not what the row says: less for being late, or a mean. */
  readonly result?: { readonly earned: Hundredths; readonly latePercent: number } | undefined;
  /** Null for who has not begun. */
  readonly row: SheetRow | null;
}

/** The same as it is stored and sent: a twentieth of the size, and nothing is computed to send it. */
export interface SheetLine extends Omit<SheetStudent, 'row'> {
  /** As `encodeSheetRow` wrote it. */
  readonly row: string | null;
}

/** What of a sheet says what a student of it needs. */
export interface NeedingSheet {
  readonly now: number;
  readonly terms: Pick<Terms, 'isExtra'>;
}

/** The single most pressing thing about a student of a sheet. */
export function needOfStudent({ row, excused, dueAt, leftAt }: SheetStudent, { now, terms }: NeedingSheet): Need {
  const { isExtra } = terms;
  return needOf(row && outlineOf(row), { excused, dueAt, now, isExtra, hasLeft: leftAt !== undefined });
}

export function readSheetLine({ row, ...student }: SheetLine): SheetStudent {
  return { ...student, row: row === null ? null : decodeSheetRow(row) };
}

import type { Sheet } from '@semita/core/contract';
import type { SheetOrder } from '@semita/core/sheet';
import { t } from '../../words/words.ts';
import './words.ts';

/** Widths of the columns, in px: what scrolls away must be known without being drawn. */
export const columnWidths = { name: 240, needs: 188, narrowStop: 44, wideStop: 86 } as const;
export const rowHeightPx = 36;
/** At most: with upright headings under those of their parts. */
export const headHeightPx = 170;

/** With few stops their headings have room beside each other; with many they stand upright. */
const mostWideStops = 4;

export const isWide = ({ stops }: Pick<Sheet, 'stops'>) => stops.length <= mostWideStops;
export const stopWidthOf = (sheet: Pick<Sheet, 'stops'>) =>
  isWide(sheet) ? columnWidths.wideStop : columnWidths.narrowStop;

export interface NumberColumn {
  readonly key: 'progress' | 'met' | 'time' | 'points' | 'counts' | 'lastSeen';
  readonly label: string;
  readonly widthPx: number;
  /** What the sheet is sorted by where this heading is pressed; null where that is another column's order. */
  readonly order: Exclude<SheetOrder, object> | null;
}

export function numberColumnsOf({ terms }: Pick<Sheet, 'terms'>): readonly NumberColumn[] {
  return [
    { key: 'progress', label: t('sheet.progress'), widthPx: 84, order: 'progress' },
    { key: 'met', label: t('sheet.met'), widthPx: 72, order: 'met' },
    { key: 'time', label: t('sheet.time'), widthPx: 80, order: 'time' },
    { key: 'points', label: t('sheet.points'), widthPx: 112, order: 'points' },
    ...(terms.worth === undefined
      ? []
      : [{ key: 'counts' as const, label: t('sheet.counts'), widthPx: 112, order: null }]),
    { key: 'lastSeen', label: t('sheet.lastSeen'), widthPx: 108, order: 'lastSeen' },
  ];
}

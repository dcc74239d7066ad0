import type { BreakPoint } from '@semita/core/breaks';
import { type Inset, type MaterialPart, type Stop, stopsInOrder } from '@semita/core/lesson';
import { gapOf, type ScriptLine } from '@semita/core/script';
import { t } from '../../words/words.ts';
import './words.ts';

export interface PlacedStop {
  readonly stop: Stop;
  /** Nobody would reach it. */
  readonly isOutside: boolean;
}

/** What stands in a gap of the script, under the line before it. Row 0 is the gap before the first line. */
export interface RowContent {
  readonly stops: readonly PlacedStop[];
  readonly insets: readonly Inset[];
  readonly breaks: readonly BreakPoint[];
  /** Where the part ends or begins. */
  readonly edges: readonly string[];
  /** The line before the gap is beyond the part's window. */
  readonly isOutside: boolean;
}

const empty: RowContent = { stops: [], insets: [], breaks: [], edges: [], isOutside: false };
const emptyOutside: RowContent = { ...empty, isOutside: true };

/**
 * The rows of a script, one more than it has lines. Rows in which nothing stands are the same object, so that a change
 * in one gap leaves the thousands of others as they are.
 */
export function rowsOf(
  part: MaterialPart,
  lines: readonly ScriptLine[],
  breaks: readonly BreakPoint[] | null,
): readonly RowContent[] {
  const isOutside = (ms: number) => ms < part.inMs || ms > part.outMs;
  const rows: RowContent[] = Array.from({ length: lines.length + 1 }, (_, gap) => {
    const line = lines[gap - 1];
    return line && isOutside(line.startMs) ? emptyOutside : empty;
  });
  const put = (gap: number, change: (row: RowContent) => Partial<RowContent>) => {
    const row = rows[gap];
    if (row) rows[gap] = { ...row, ...change(row) };
  };
  for (const stop of stopsInOrder(part.stops))
    put(gapOf(lines, stop.atMs), ({ stops }) => ({ stops: [...stops, { stop, isOutside: isOutside(stop.atMs) }] }));
  for (const inset of part.insets ?? [])
    put(gapOf(lines, inset.atMs), ({ insets }) => ({ insets: [...insets, inset] }));
  for (const one of breaks ?? []) put(one.gap, (row) => ({ breaks: [...row.breaks, one] }));
  const { title, inMs, outMs } = part;
  const addEdge = (ms: number, edge: string) => put(gapOf(lines, ms), ({ edges }) => ({ edges: [...edges, edge] }));
  // None at the ends of the material.
  if (outMs < (lines.at(-1)?.endMs ?? 0)) addEdge(outMs, t('desk.endsHere', { title }));
  if (inMs > 0) addEdge(inMs, t('desk.beginsHere', { title }));
  return rows;
}

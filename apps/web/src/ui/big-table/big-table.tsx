import { Fragment, type ReactNode } from 'react';
import { joinClasses } from '../join-classes.ts';
import { type Slot, slotKey, spansOf } from './slots.ts';
import { BigTableRows, useBigTable } from './use-big-table.tsx';

/** Of the cells of every heading. */
export const headCellStyle =
  'border-b border-line bg-card px-2 py-2 text-left align-bottom text-13 font-medium text-quiet';

interface Props {
  readonly label: string;
  /** How high it may stand, and what it is on paper. */
  readonly className: string;
  readonly rows: number;
  readonly columns: number;
  readonly rowHeightPx: number;
  readonly columnWidthPx: number;
  /** Of the headings, at most, and how many rows they take. */
  readonly headHeightPx: number;
  readonly headRows: number;
  /** Widths of what stays in sight on the left. */
  readonly sticky: readonly number[];
  /** Of what stands between that and the columns; takes what the others leave, so much at least. */
  readonly leadPx?: number;
  /** Widths of what stands behind the columns. */
  readonly trail?: readonly number[];
  readonly head: (slots: readonly Slot[]) => ReactNode;
  /** One row; undefined where there is none. */
  readonly row: (
    index: number,
    slots: readonly Slot[],
  ) => { readonly key: string; readonly row: ReactNode } | undefined;
}

const sumOf = (widths: readonly number[]): number => widths.reduce((sum, width) => sum + width, 0);

/** A table of many rows and columns, of which those in sight are drawn; what heads them stays in sight. */
export function BigTable(props: Props) {
  const { label, className, rows, columns, columnWidthPx, headHeightPx, headRows, sticky, leadPx, trail = [] } = props;
  const stickyPx = sumOf(sticky);
  const { scroller, table, onKeyDown, onFocus, slots, rowItems, heightPx } = useBigTable({
    ...{ rows, columns, rowHeightPx: props.rowHeightPx, headHeightPx, columnWidthPx },
    ...{ stickyPx, leadPx: leadPx ?? 0 },
  });
  const fullWidth = stickyPx + (leadPx ?? 0) + columns * columnWidthPx + sumOf(trail);
  return (
    <section
      ref={scroller}
      aria-label={label}
      // What takes the focus comes into sight beside the names and below the headings.
      style={{ scrollPadding: `${headHeightPx}px 0 0 ${stickyPx}px` }}
      className={joinClasses(
        'overflow-auto rounded-card border border-line bg-card [overflow-anchor:none] print:max-h-none print:overflow-visible',
        className,
      )}
    >
      <table
        ref={table}
        aria-rowcount={rows + headRows}
        style={leadPx === undefined ? { width: fullWidth } : { minWidth: fullWidth }}
        className={joinClasses(
          'table-fixed border-separate border-spacing-0 text-14',
          leadPx !== undefined && 'w-full',
        )}
        onKeyDown={onKeyDown}
        onFocus={onFocus}
      >
        <colgroup>
          {sticky.map((width, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: columns have no name but their place
            <col key={index} style={{ width }} />
          ))}
          {leadPx !== undefined && <col />}
          {slots.map((slot, index) => (
            <col
              key={slotKey(slot, index)}
              style={{ width: slot.kind === 'column' ? columnWidthPx : slot.columns * columnWidthPx }}
            />
          ))}
          {trail.map((width, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: columns have no name but their place
            <col key={index} style={{ width }} />
          ))}
        </colgroup>
        {props.head(slots)}
        <tbody>
          <BigTableRows items={rowItems} heightPx={heightPx}>
            {(index) => props.row(index, slots)}
          </BigTableRows>
        </tbody>
      </table>
    </section>
  );
}

interface SlotsProps {
  readonly slots: readonly Slot[];
  /** Of the room of what is not drawn. */
  readonly gapClassName?: string;
  readonly children: (column: number) => ReactNode;
}

/** What stands in each column that is drawn, with the room of the others. */
export function SlotCells({ slots, gapClassName, children }: SlotsProps) {
  return slots.map((slot, place) =>
    slot.kind === 'gap' ? (
      <td key={slotKey(slot, place)} aria-hidden className={gapClassName} />
    ) : (
      <Fragment key={slotKey(slot, place)}>{children(slot.column)}</Fragment>
    ),
  );
}

interface SpanHeadsProps {
  readonly slots: readonly Slot[];
  /** Of all columns, in their order. */
  readonly titles: readonly string[];
  readonly className: string;
}

/** Titles over those of their columns that are drawn beside each other. */
export function SpanHeads({ slots, titles, className }: SpanHeadsProps) {
  return spansOf(slots, titles).map(({ title, count }, index) =>
    title === null ? (
      // biome-ignore lint/suspicious/noArrayIndexKey: gaps have no name but their place
      <td key={index} aria-hidden className={headCellStyle} />
    ) : (
      <th
        // biome-ignore lint/suspicious/noArrayIndexKey: several may be called the same, and stand in their order
        key={index}
        scope="colgroup"
        colSpan={count}
        title={title}
        className={joinClasses(headCellStyle, 'truncate border-l pb-1', className)}
      >
        {title}
      </th>
    ),
  );
}

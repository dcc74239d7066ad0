import { observeElementRect, type Range, useVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { slotsOf } from './slots.ts';

/** One class and its lesson are drawn whole, so that the browser's own search finds everybody. */
const mostDrawn = { rows: 60, columns: 40 };

/** What a browser that lays nothing out, as in tests, is taken to show. */
const unlaid = { width: 1_280, height: 800 };

/**
 * Which of many are drawn: those in sight, and a few on either side. What is beside them (the headings above, names and
 * needs on the left) takes as much of the view as is said, so that as many at the end are out of sight. The cell with
 * the focus stays on the page however far one scrolls, or the focus would fall to the body.
 */
const drawing =
  (most: number, focus: number, { before, behind }: { readonly before: number; readonly behind: number }) =>
  ({ startIndex, endIndex, count }: Range): number[] => {
    const isWhole = count <= most;
    const first = isWhole ? 0 : Math.max(0, startIndex - before - fewMore);
    const last = isWhole ? count - 1 : Math.max(first, Math.min(count - 1, endIndex - behind + fewMore));
    const shown = Array.from({ length: last - first + 1 }, (_, i) => first + i);
    return focus < 0 || focus >= count || (focus >= first && focus <= last)
      ? shown
      : [...shown, focus].toSorted((x, y) => x - y);
  };
const fewMore = 2;

interface Size {
  readonly rows: number;
  readonly columns: number;
  readonly rowHeightPx: number;
  readonly columnWidthPx: number;
  /** Of the headings, at most. */
  readonly headHeightPx: number;
  /** Of what stays in sight on the left. */
  readonly stickyPx: number;
  /** Of what stands between that and the columns, and goes away with them. */
  readonly leadPx: number;
}

/**
 * A table of many rows and columns, of which those in sight are drawn. Cells say where they are as `data-cell`,
 * `row:column`, the column 0 being what heads the row; arrows, Page, Home and End go from one to the next.
 */
export function useBigTable({ rows: rowCount, columns: columnCount, ...size }: Size) {
  const { rowHeightPx, columnWidthPx, headHeightPx, stickyPx, leadPx } = size;
  const scroller = useRef<HTMLElement>(null);
  const table = useRef<HTMLTableElement>(null);
  const [here, setHere] = useState({ row: -1, column: -1 });
  const wanted = useRef<string | null>(null);
  const measure: typeof observeElementRect = (instance, tell) =>
    observeElementRect(instance, (rect) => tell(rect.height === 0 ? unlaid : rect));
  const rows = useVirtualizer({
    count: rowCount,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeightPx,
    overscan: 0,
    initialRect: unlaid,
    observeElementRect: measure,
    useFlushSync: false,
    rangeExtractor: useMemo(
      () => drawing(mostDrawn.rows, here.row, { before: 0, behind: Math.floor(headHeightPx / rowHeightPx) }),
      [here.row, headHeightPx, rowHeightPx],
    ),
  });
  const columns = useVirtualizer({
    horizontal: true,
    count: columnCount,
    getScrollElement: () => scroller.current,
    estimateSize: () => columnWidthPx,
    overscan: 0,
    initialRect: unlaid,
    observeElementRect: measure,
    useFlushSync: false,
    rangeExtractor: useMemo(
      () =>
        drawing(mostDrawn.columns, here.column, {
          before: Math.ceil(leadPx / columnWidthPx),
          behind: Math.floor((stickyPx + leadPx) / columnWidthPx),
        }),
      [here.column, columnWidthPx, leadPx, stickyPx],
    ),
  });
  const rowItems = rows.getVirtualItems();
  const drawn = columns.getVirtualItems().map(({ index }) => index);
  const drawnKey = drawn.join();
  // The same list as long as the same are drawn: rows are drawn anew only when it changes.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all that is in the list
  const slots = useMemo(() => slotsOf(drawn, columnCount), [drawnKey, columnCount]);

  useLayoutEffect(() => {
    if (wanted.current === null) return;
    const cell = table.current?.querySelector<HTMLElement>(`[data-cell="${wanted.current}"]`);
    if (!cell) return;
    wanted.current = null;
    cell.focus();
  });
  const onKeyDown = (event: React.KeyboardEvent) => {
    const at = (event.target as HTMLElement).dataset.cell?.split(':').map(Number);
    if (!at) return;
    const [row = 0, column = 0] = at;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 0) / rowHeightPx) - 3);
    const to = {
      ArrowDown: [row + 1, column],
      ArrowUp: [row - 1, column],
      ArrowRight: [row, column + 1],
      ArrowLeft: [row, column - 1],
      PageDown: [row + page, column],
      PageUp: [row - page, column],
      Home: [row, 0],
      End: [row, columnCount],
    }[event.key];
    if (!to) return;
    event.preventDefault();
    const next = {
      row: Math.min(rowCount - 1, Math.max(0, to[0] ?? 0)),
      column: Math.min(columnCount, Math.max(0, to[1] ?? 0)),
    };
    wanted.current = `${next.row}:${next.column}`;
    setHere({ row: next.row, column: next.column - 1 });
    if (!rowItems.some(({ index }) => index === next.row)) rows.scrollToIndex(next.row);
    if (next.column > 0 && !drawn.includes(next.column - 1)) columns.scrollToIndex(next.column - 1);
  };
  const onFocus = (event: React.FocusEvent) => {
    const at = (event.target as HTMLElement).dataset.cell?.split(':').map(Number);
    if (at) setHere({ row: at[0] ?? -1, column: (at[1] ?? 0) - 1 });
  };
  const head = { scroller, table, onKeyDown, onFocus };
  return { ...head, slots, rowItems, heightPx: rows.getTotalSize() };
}

interface RowsProps {
  readonly items: ReturnType<typeof useBigTable>['rowItems'];
  readonly heightPx: number;
  readonly children: (index: number) => { readonly key: string; readonly row: React.ReactNode } | undefined;
}

/** The rows that are drawn, with the room of the others before, between and behind them. */
export function BigTableRows({ items, heightPx, children }: RowsProps) {
  return (
    <>
      {items.map((item, place) => {
        const drawn = children(item.index);
        return (
          drawn && (
            <Spaced key={drawn.key} gapPx={item.start - (items[place - 1]?.end ?? 0)}>
              {drawn.row}
            </Spaced>
          )
        );
      })}
      <Gap px={heightPx - (items.at(-1)?.end ?? 0)} />
    </>
  );
}

function Spaced({ gapPx, children }: { readonly gapPx: number; readonly children: React.ReactNode }) {
  return (
    <>
      <Gap px={gapPx} />
      {children}
    </>
  );
}

/** Where rows are that are out of sight. */
const Gap = ({ px }: { readonly px: number }) =>
  px > 0 ? (
    <tr aria-hidden style={{ height: px }}>
      <td />
    </tr>
  ) : null;

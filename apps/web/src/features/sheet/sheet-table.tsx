import type { Sheet } from '@semita/core/contract';
import type { SheetOrder, SheetStudent } from '@semita/core/sheet';
import { observeElementRect, type Range, useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { t } from '../../words/words.ts';
import {
  columnWidths,
  headHeightPx,
  numberColumnsOf,
  rowHeightPx,
  slotKey,
  slotsOf,
  stopWidthOf,
} from './sheet-columns.ts';
import { SheetHead, type Sorting } from './sheet-head.tsx';
import { type RowContext, SheetRowView } from './sheet-row.tsx';
import './words.ts';
import '../assignment/words.ts';

interface Props {
  readonly sheet: Sheet;
  readonly students: readonly SheetStudent[];
  readonly nameOf: (student: SheetStudent) => string;
  readonly sorting: Sorting;
  readonly onSort: (order: SheetOrder) => void;
  readonly chosenIds: ReadonlySet<string>;
  readonly onChoose: (studentIds: readonly string[], isOn: boolean) => void;
  readonly onOpen: (studentId: string, stopId?: string) => void;
}

/** One class and its lesson are drawn whole, so that the browser's own search finds everybody. */
const mostDrawn = { rows: 60, columns: 40 };

const minuteMs = 60_000;

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

/** Students × stops; of many, those in sight. Arrows go from cell to cell, Enter opens the student at that stop. */
export function SheetTable({ sheet, students, nameOf, sorting, onSort, chosenIds, onChoose, onOpen }: Props) {
  const scroller = useRef<HTMLElement>(null);
  const table = useRef<HTMLTableElement>(null);
  const [here, setHere] = useState({ row: -1, column: -1 });
  const wanted = useRef<string | null>(null);
  const stopWidth = stopWidthOf(sheet);
  const { stops, assignment, now, terms } = sheet;
  const measure: typeof observeElementRect = (instance, tell) =>
    observeElementRect(instance, (rect) => tell(rect.height === 0 ? unlaid : rect));
  const rows = useVirtualizer({
    count: students.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeightPx,
    overscan: 0,
    initialRect: unlaid,
    observeElementRect: measure,
    useFlushSync: false,
    rangeExtractor: useMemo(
      () => drawing(mostDrawn.rows, here.row, { before: 0, behind: Math.floor(headHeightPx / rowHeightPx) }),
      [here.row],
    ),
  });
  const columns = useVirtualizer({
    horizontal: true,
    count: stops.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => stopWidth,
    overscan: 0,
    initialRect: unlaid,
    observeElementRect: measure,
    useFlushSync: false,
    rangeExtractor: useMemo(
      () =>
        drawing(mostDrawn.columns, here.column, {
          before: Math.ceil(columnWidths.needs / stopWidth),
          behind: Math.floor((columnWidths.name + columnWidths.needs) / stopWidth),
        }),
      [here.column, stopWidth],
    ),
  });
  const rowItems = rows.getVirtualItems();
  const drawn = columns.getVirtualItems().map(({ index }) => index);
  const drawnKey = drawn.join();
  // The same list as long as the same are drawn: rows are drawn anew only when it changes.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all that is in the list
  const slots = useMemo(() => slotsOf(drawn, stops.length), [drawnKey, stops.length]);

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
      End: [row, stops.length],
    }[event.key];
    if (!to) return;
    event.preventDefault();
    const next = {
      row: Math.min(students.length - 1, Math.max(0, to[0] ?? 0)),
      column: Math.min(stops.length, Math.max(0, to[1] ?? 0)),
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
  // By the minute: an answer that comes in draws one row anew, and not every row because the clock went on.
  const minute = Math.ceil(now / minuteMs) * minuteMs;
  const context = useMemo(
    (): RowContext => ({
      ...{ now: minute, terms, stops, timeZone: assignment.timeZone },
      dueDates: assignment.to.map(({ dueAt }) => dueAt),
    }),
    [minute, terms, stops, assignment],
  );
  const chooseOne = useCallback((id: string, isOn: boolean) => onChoose([id], isOn), [onChoose]);
  const numbers = numberColumnsOf(sheet);
  const all = students.map(({ studentId }) => studentId);
  const chosenCount = all.filter((id) => chosenIds.has(id)).length;
  const numbersWidth = numbers.reduce((sum, { widthPx }) => sum + widthPx, 0);
  const fullWidth = columnWidths.name + columnWidths.needs + stops.length * stopWidth + numbersWidth;
  return (
    <section
      ref={scroller}
      aria-label={t('sheet.sheet')}
      // What takes the focus comes into sight beside the names and below the headings.
      style={{ scrollPadding: `${headHeightPx}px 0 0 ${columnWidths.name}px` }}
      className="max-h-[max(20rem,calc(100dvh-12rem))] overflow-auto rounded-card border border-line bg-card [overflow-anchor:none]"
    >
      <table
        ref={table}
        aria-rowcount={students.length + 1}
        style={{ minWidth: fullWidth }}
        className="w-full table-fixed border-separate border-spacing-0 text-14"
        onKeyDown={onKeyDown}
        onFocus={onFocus}
      >
        <colgroup>
          <col style={{ width: columnWidths.name }} />
          {/* Takes what the others leave. */}
          <col />
          {slots.map((slot, index) => (
            <col
              key={slotKey(slot, index)}
              style={{ width: slot.kind === 'stop' ? stopWidth : slot.columns * stopWidth }}
            />
          ))}
          {numbers.map(({ key, widthPx }) => (
            <col key={key} style={{ width: widthPx }} />
          ))}
        </colgroup>
        <SheetHead
          {...{ sheet, slots, sorting, onSort }}
          chosen={chosenCount === 0 ? 'none' : chosenCount === all.length ? 'all' : 'some'}
          onChooseAll={(isOn) => onChoose(all, isOn)}
        />
        <tbody>
          {rowItems.map((item, place) => {
            const student = students[item.index];
            const gapPx = item.start - (rowItems[place - 1]?.end ?? 0);
            if (!student) return null;
            return (
              <Spaced key={student.studentId} gapPx={gapPx}>
                <SheetRowView
                  {...{ context, student, slots, onOpen }}
                  name={nameOf(student)}
                  index={item.index}
                  isChosen={chosenIds.has(student.studentId)}
                  onChoose={chooseOne}
                />
              </Spaced>
            );
          })}
          <Gap px={rows.getTotalSize() - (rowItems.at(-1)?.end ?? 0)} />
        </tbody>
      </table>
    </section>
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

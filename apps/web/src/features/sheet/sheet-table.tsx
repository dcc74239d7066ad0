import type { Sheet } from '@semita/core/contract';
import type { SheetOrder, SheetStudent } from '@semita/core/sheet';
import { useCallback, useMemo } from 'react';
import { slotKey } from '../../ui/big-table/slots.ts';
import { BigTableRows, useBigTable } from '../../ui/big-table/use-big-table.tsx';
import { t } from '../../words/words.ts';
import { columnWidths, headHeightPx, numberColumnsOf, rowHeightPx, stopWidthOf } from './sheet-columns.ts';
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

const minuteMs = 60_000;

/** Students × stops; of many, those in sight. Arrows go from cell to cell, Enter opens the student at that stop. */
export function SheetTable({ sheet, students, nameOf, sorting, onSort, chosenIds, onChoose, onOpen }: Props) {
  const stopWidth = stopWidthOf(sheet);
  const { stops, assignment, now, terms } = sheet;
  const { scroller, table, onKeyDown, onFocus, slots, rowItems, heightPx } = useBigTable({
    ...{ rows: students.length, columns: stops.length, rowHeightPx, headHeightPx, columnWidthPx: stopWidth },
    ...{ stickyPx: columnWidths.name, leadPx: columnWidths.needs },
  });
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
              style={{ width: slot.kind === 'column' ? stopWidth : slot.columns * stopWidth }}
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
          <BigTableRows items={rowItems} heightPx={heightPx}>
            {(index) => {
              const student = students[index];
              return (
                student && {
                  key: student.studentId,
                  row: (
                    <SheetRowView
                      {...{ context, student, slots, index, onOpen }}
                      name={nameOf(student)}
                      isChosen={chosenIds.has(student.studentId)}
                      onChoose={chooseOne}
                    />
                  ),
                }
              );
            }}
          </BigTableRows>
        </tbody>
      </table>
    </section>
  );
}

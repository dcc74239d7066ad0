import type { Sheet } from '@semita/core/contract';
import type { SheetOrder, SheetStudent } from '@semita/core/sheet';
import { useCallback, useMemo } from 'react';
import { BigTable } from '../../ui/big-table/big-table.tsx';
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
  const { stops, assignment, now, terms } = sheet;
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
  return (
    <BigTable
      label={t('sheet.sheet')}
      className="max-h-[max(20rem,calc(100dvh-12rem))]"
      {...{ rowHeightPx, headHeightPx }}
      rows={students.length}
      columns={stops.length}
      columnWidthPx={stopWidthOf(sheet)}
      headRows={1}
      sticky={[columnWidths.name]}
      leadPx={columnWidths.needs}
      trail={numbers.map(({ widthPx }) => widthPx)}
      head={(slots) => (
        <SheetHead
          {...{ sheet, slots, sorting, onSort }}
          chosen={chosenCount === 0 ? 'none' : chosenCount === all.length ? 'all' : 'some'}
          onChooseAll={(isOn) => onChoose(all, isOn)}
        />
      )}
      row={(index, slots) => {
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
    />
  );
}

import type { Sheet } from '@semita/core/contract';
import type { SheetOrder } from '@semita/core/sheet';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { memo, type ReactNode } from 'react';
import { headCellStyle, SlotCells, SpanHeads } from '../../ui/big-table/big-table.tsx';
import type { Slot } from '../../ui/big-table/slots.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { isWide, numberColumnsOf } from './sheet-columns.ts';
import './words.ts';

export interface Sorting {
  readonly order: SheetOrder;
  readonly isTurned: boolean;
}

interface Props {
  readonly sheet: Sheet;
  readonly slots: readonly Slot[];
  readonly sorting: Sorting;
  readonly onSort: (order: SheetOrder) => void;
  /** Whether all, some or none of the students are chosen. */
  readonly chosen: 'all' | 'some' | 'none';
  readonly onChooseAll: (isOn: boolean) => void;
}

/** The headings of a sheet: pressed, they put it in order; pressed again, the other way round. */
export function SheetHead({ sheet, slots, sorting, onSort, chosen, onChooseAll }: Props) {
  const { stops } = sheet;
  const hasParts = new Set(stops.map(({ partTitle }) => partTitle)).size > 1;
  const rows = hasParts ? 2 : 1;
  const numbers = numberColumnsOf(sheet);
  const heads = (
    <SlotCells slots={slots} gapClassName={headCellStyle}>
      {(column) => <StopHead {...{ sheet, sorting, onSort, column }} />}
    </SlotCells>
  );
  return (
    <thead className="sticky top-0 z-20">
      <tr aria-rowindex={1}>
        <SortHead
          {...{ sorting, onSort }}
          order="name"
          rowSpan={rows}
          className="sticky left-0 z-10 pl-3"
          lead={
            <input
              type="checkbox"
              checked={chosen === 'all'}
              ref={(box) => {
                if (box) box.indeterminate = chosen === 'some';
              }}
              onChange={({ target }) => onChooseAll(target.checked)}
              aria-label={t('sheet.chooseAll')}
              className="size-4 shrink-0 accent-main"
            />
          }
        >
          {t('sheet.student')}
        </SortHead>
        <SortHead {...{ sorting, onSort }} order="need" rowSpan={rows}>
          {t('sheet.needs')}
        </SortHead>
        {hasParts ? (
          <SpanHeads {...{ slots }} titles={stops.map(({ partTitle }) => partTitle)} className="text-center" />
        ) : (
          heads
        )}
        {numbers.map(({ key, label, order }) =>
          order === null ? (
            <th key={key} scope="col" rowSpan={rows} className={joinClasses(headCellStyle, 'text-right last:pr-4')}>
              {label}
            </th>
          ) : (
            <SortHead key={key} {...{ sorting, onSort, order }} rowSpan={rows} isRight className="last:pr-4">
              {label}
            </SortHead>
          ),
        )}
      </tr>
      {hasParts && <tr>{heads}</tr>}
    </thead>
  );
}

interface SortHeadProps extends Pick<Props, 'sorting' | 'onSort'> {
  readonly order: SheetOrder;
  readonly rowSpan?: number;
  readonly isRight?: boolean;
  readonly title?: string;
  readonly className?: string;
  readonly lead?: ReactNode;
  readonly children: ReactNode;
}

const isSame = (a: SheetOrder, b: SheetOrder): boolean =>
  typeof a === 'object' && typeof b === 'object' ? a.stop === b.stop : a === b;

function SortHead({ sorting, onSort, order, rowSpan = 1, isRight, title, className, lead, children }: SortHeadProps) {
  const isHere = isSame(sorting.order, order);
  const Arrow = sorting.isTurned ? ArrowUp : ArrowDown;
  return (
    <th
      scope="col"
      rowSpan={rowSpan}
      title={title}
      aria-sort={isHere ? (sorting.isTurned ? 'descending' : 'ascending') : undefined}
      className={joinClasses(headCellStyle, className)}
    >
      <span className="flex items-center gap-3">
        {lead}
        <button
          type="button"
          onClick={() => onSort(order)}
          className={joinClasses(
            'flex min-h-6 min-w-0 grow items-center gap-1 rounded-control hover:text-ink',
            isRight && 'justify-end text-right',
            isHere && 'text-ink',
          )}
        >
          {children}
          {isHere && <Arrow aria-hidden className="size-3.5 shrink-0" strokeWidth={2} />}
        </button>
      </span>
    </th>
  );
}

interface StopHeadProps extends Pick<Props, 'sheet' | 'sorting' | 'onSort'> {
  readonly column: number;
}

/** A stop by its first words: beside each other where there is room, upright where there are many. */
const StopHead = memo(function StopHead({ sheet, column, sorting, onSort }: StopHeadProps) {
  const stop = sheet.stops[column];
  if (!stop) return null;
  const number = column + 1;
  const words = [
    t('sheet.stopHeading', { number, label: stop.label }),
    ...(stop.practice ? [t('part.practice')] : []),
  ].join(' · ');
  return (
    <SortHead {...{ sorting, onSort }} order={{ stop: column }} title={words} className="border-l px-1.5">
      <span className="sr-only">{words}</span>
      <span
        aria-hidden
        className={joinClasses(
          'min-w-0 grow text-center text-13 leading-4',
          isWide(sheet)
            ? 'line-clamp-2 break-words'
            : 'h-28 max-w-5 truncate text-left [writing-mode:vertical-rl] rotate-180',
        )}
      >
        {/* What is practice counts for nothing. */}
        <span className={joinClasses('font-mono', stop.practice && 'underline decoration-dotted underline-offset-4')}>
          {number}
        </span>{' '}
        {stop.label}
      </span>
    </SortHead>
  );
});

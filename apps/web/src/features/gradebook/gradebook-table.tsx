import type { GradebookCell, GradebookColumn, UsedCell } from '@semita/core/gradebook';
import { ArrowDown, PencilLine } from 'lucide-react';
import { memo } from 'react';
import { Link } from 'react-router';
import { BigTable, headCellStyle, SlotCells, SpanHeads } from '../../ui/big-table/big-table.tsx';
import type { Slot } from '../../ui/big-table/slots.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import type { CountedBook, CountedStudent } from './counted-book.ts';
import { cellWords, totalWords, wholeCellWords } from './grade-words.ts';
import './words.ts';

export type GradebookOrder = 'name' | 'total';

interface Props {
  readonly book: CountedBook;
  readonly students: readonly CountedStudent[];
  readonly nameOf: (student: CountedStudent) => string;
  readonly order: GradebookOrder;
  readonly onOrder: (order: GradebookOrder) => void;
  readonly onOpen: (studentId: string, assignmentId?: string) => void;
}

/** Widths in px. A few columns, and a total with a name, have more room. */
const nameWidth = 200;
const totalWidthOf = ({ rules }: CountedBook) => (rules.scale.kind === 'steps' ? 180 : 116);
const columnWidthOf = ({ columns }: CountedBook) => (columns.length <= 4 ? 168 : 112);
const rowHeightPx = 36;
const headHeightPx = 128;

/** Students × what was given; of many, those in sight. Enter in a cell tells how it counts. */
export function GradebookTable({ book, students, nameOf, order, onOrder, onOpen }: Props) {
  const { columns, rules } = book;
  const [totalWidth, columnWidth] = [totalWidthOf(book), columnWidthOf(book)];
  const titles = columns.map(({ category }) => {
    const weight = rules.categories.find(({ name }) => name === category)?.weight ?? 0;
    const name = category || t('gradebook.other');
    return rules.byWeight ? t('gradebook.weightShort', { name, weight: weight / 100 }) : name;
  });
  const hasCategories = new Set(titles).size > 1 || columns.some(({ category }) => category !== '') || rules.byWeight;
  const rows = hasCategories ? 2 : 1;
  const heads = (slots: readonly Slot[]) => (
    <SlotCells slots={slots} gapClassName={headCellStyle}>
      {(column) => <ColumnHead column={columns[column] as GradebookColumn} />}
    </SlotCells>
  );
  return (
    <BigTable
      label={t('gradebook.title')}
      className="max-h-[max(20rem,calc(100dvh-15rem))]"
      {...{ rowHeightPx, headHeightPx }}
      rows={students.length}
      columns={columns.length}
      columnWidthPx={columnWidth}
      headRows={rows}
      sticky={[nameWidth, totalWidth]}
      head={(slots) => (
        <thead className="sticky top-0 z-20 print:static">
          <tr>
            <OrderHead {...{ order, onOrder }} of="name" rowSpan={rows} className="sticky left-0 z-10 pl-4">
              {t('gradebook.student')}
            </OrderHead>
            <OrderHead
              {...{ order, onOrder }}
              of="total"
              rowSpan={rows}
              style={{ left: nameWidth }}
              className="sticky z-10 border-r"
            >
              {t('gradebook.total')}
            </OrderHead>
            {hasCategories ? <SpanHeads {...{ slots, titles }} className="font-semibold text-ink" /> : heads(slots)}
          </tr>
          {hasCategories && <tr>{heads(slots)}</tr>}
        </thead>
      )}
      row={(index, slots) => {
        const student = students[index];
        return (
          student && {
            key: student.studentId,
            row: <StudentRow {...{ student, columns, slots, index, onOpen }} name={nameOf(student)} />,
          }
        );
      }}
    />
  );
}

interface OrderHeadProps extends Pick<Props, 'order' | 'onOrder'> {
  readonly of: GradebookOrder;
  readonly rowSpan: number;
  readonly className: string;
  readonly style?: React.CSSProperties;
  readonly children: React.ReactNode;
}

function OrderHead({ of, order, onOrder, children, className, ...cell }: OrderHeadProps) {
  const isHere = of === order;
  return (
    <th
      {...cell}
      scope="col"
      aria-sort={isHere ? (of === 'name' ? 'ascending' : 'descending') : undefined}
      className={joinClasses(headCellStyle, className)}
    >
      <button
        type="button"
        onClick={() => onOrder(of)}
        className={joinClasses('flex min-h-6 items-center gap-1 rounded-control hover:text-ink', isHere && 'text-ink')}
      >
        {children}
        {isHere && <ArrowDown aria-hidden className="size-3.5 shrink-0" strokeWidth={2} />}
      </button>
    </th>
  );
}

const ColumnHead = memo(function ColumnHead({ column }: { readonly column: GradebookColumn }) {
  const { assignmentId, title, worth, isExtra } = column;
  return (
    <th scope="col" className={joinClasses(headCellStyle, 'border-l font-normal')}>
      <Link
        to={`/assignments/${assignmentId}`}
        title={t('gradebook.openSheet', { title })}
        className="line-clamp-3 font-medium break-words text-ink hover:underline"
      >
        {title}
      </Link>
      <span className="block truncate">
        {[t('gradebook.outOf', { points: formatPoints(worth) }), ...(isExtra ? [t('gradebook.extra')] : [])].join(', ')}
      </span>
    </th>
  );
});

interface RowProps extends Pick<Props, 'onOpen'> {
  readonly student: CountedStudent;
  readonly name: string;
  readonly index: number;
  readonly columns: readonly GradebookColumn[];
  readonly slots: readonly Slot[];
}

const StudentRow = memo(function StudentRow({ student, name, index, columns, slots, onOpen }: RowProps) {
  const { studentId, total, cells, uses, hasLeft } = student;
  const words = total.percent === null ? t('gradebook.nothingYet') : totalWords(total);
  return (
    <tr style={{ height: rowHeightPx }} className="group hover:bg-main-tint">
      <th
        scope="row"
        className="sticky left-0 z-10 truncate bg-card pr-2 pl-4 text-left font-medium group-hover:bg-main-tint"
      >
        {name}
        {hasLeft && <span className="ml-1.5 text-13 font-normal text-quiet">{t('gradebook.left')}</span>}
      </th>
      <td
        style={{ left: nameWidth }}
        className="sticky z-10 border-r border-line bg-card px-1 group-hover:bg-main-tint"
      >
        <button
          type="button"
          data-cell={`${index}:0`}
          aria-label={t('gradebook.totalOf', { name, words })}
          onClick={() => onOpen(studentId)}
          className="min-h-8 w-full truncate rounded-control px-1 text-left font-mono text-13 font-semibold hover:underline"
        >
          {totalWords(total)}
        </button>
      </td>
      <SlotCells slots={slots}>
        {(place) => (
          <Cell
            {...{ name, index, studentId, onOpen, place }}
            column={columns[place] as GradebookColumn}
            cell={cells[place] ?? null}
            used={uses[place]}
          />
        )}
      </SlotCells>
    </tr>
  );
});

interface CellProps extends Pick<RowProps, 'name' | 'index' | 'onOpen'> {
  readonly studentId: string;
  readonly place: number;
  readonly column: GradebookColumn;
  readonly cell: GradebookCell | null;
  readonly used: UsedCell | undefined;
}

const Cell = memo(function Cell({ name, index, place, studentId, column, cell, used, onOpen }: CellProps) {
  const isQuiet = !cell || (!cell.override && (cell.isExcused || (cell.state === 'notBegun' && !cell.isMissing)));
  return (
    <td className="border-l border-line px-1">
      <button
        type="button"
        data-cell={`${index}:${place + 1}`}
        tabIndex={-1}
        aria-label={t('gradebook.cellOf', { name, title: column.title, words: wholeCellWords(cell, used) })}
        onClick={() => onOpen(studentId, column.assignmentId)}
        className={joinClasses(
          'flex min-h-8 w-full items-center gap-1 rounded-control px-1 text-13 hover:underline',
          isQuiet && 'text-quiet',
          cell?.isMissing && !cell.override && 'text-brick',
          cell?.waiting && !cell.override && 'text-marigold-ink',
        )}
      >
        <span className={joinClasses('font-mono', used?.use === 'dropped' && 'text-quiet line-through')}>
          {cellWords(cell)}
        </span>
        {cell?.override && <PencilLine aria-hidden className="size-3.5 shrink-0 text-slate" strokeWidth={1.75} />}
        {cell?.waiting && cell.possible > 0 && !cell.override ? (
          <span className="truncate">{t('gradebook.toMark')}</span>
        ) : null}
        {cell?.isLate && <span className="truncate text-brick">{t('gradebook.late')}</span>}
        {cell?.state === 'underWay' && !cell.override && (
          <span className="truncate text-quiet">{t('gradebook.underWay')}</span>
        )}
      </button>
    </td>
  );
});

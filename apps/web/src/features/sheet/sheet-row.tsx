import { worthOf } from '@semita/core/assignment';
import type { Sheet } from '@semita/core/contract';
import { isLate, type Need, needOfStudent, type SheetRow, type SheetStudent, type StopMark } from '@semita/core/sheet';
import { TriangleAlert } from 'lucide-react';
import { memo } from 'react';
import { SlotCells } from '../../ui/big-table/big-table.tsx';
import type { Slot } from '../../ui/big-table/slots.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { StateMark } from '../../ui/state-mark.tsx';
import { formatAgo, formatInstant, formatMinutes, formatPoints, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { doubtWords } from '../marking/doubt-words.ts';
import { rowHeightPx } from './sheet-columns.ts';
import './words.ts';

export const needStyle: Readonly<Record<Need, string>> = {
  stuck: 'bg-brick-tint text-brick',
  overdue: 'bg-brick-tint text-brick',
  notBegun: 'bg-marigold-tint text-marigold-ink',
  toMark: 'bg-marigold-tint text-marigold-ink',
  underWay: 'bg-slate-tint text-slate',
  done: 'bg-spruce-tint text-spruce',
  excused: 'text-quiet',
  left: 'text-quiet',
};

const numberCell = 'px-2 text-right font-mono text-13 whitespace-nowrap last:pr-4';

/** What of a sheet its rows are drawn from. */
export type RowContext = Pick<Sheet, 'now' | 'terms' | 'stops'> & {
  readonly timeZone: string;
  /** When it is due for all, by addressee. */
  readonly dueDates: readonly (number | null)[];
};

interface Props {
  readonly context: RowContext;
  readonly student: SheetStudent;
  /** The name, or what stands for it. */
  readonly name: string;
  readonly index: number;
  /** The stops that are drawn: the same list as long as they are the same. */
  readonly slots: readonly Slot[];
  readonly isChosen: boolean;
  readonly onChoose: (studentId: string, isOn: boolean) => void;
  readonly onOpen: (studentId: string, stopId?: string) => void;
}

/** One student. */
export const SheetRowView = memo(function SheetRowView(props: Props) {
  const { context, student, name, index, slots, isChosen, onChoose, onOpen } = props;
  const { studentId, row } = student;
  return (
    <tr
      aria-rowindex={index + 2}
      style={{ height: rowHeightPx }}
      className={joinClasses('group', isChosen ? 'bg-main-tint' : 'hover:bg-main-tint')}
    >
      <th
        scope="row"
        className={joinClasses(
          'sticky left-0 z-10 pl-3 text-left font-normal whitespace-nowrap group-hover:bg-main-tint',
          isChosen ? 'bg-main-tint' : 'bg-card',
        )}
      >
        <span className="flex items-center gap-1">
          <input
            type="checkbox"
            checked={isChosen}
            onChange={({ target }) => onChoose(studentId, target.checked)}
            aria-label={t('sheet.chooseStudent', { name })}
            className="size-4 shrink-0 accent-main"
          />
          <button
            type="button"
            data-cell={`${index}:0`}
            onClick={() => onOpen(studentId)}
            className="min-h-8 min-w-0 truncate rounded-control px-2 font-medium hover:underline"
          >
            {name}
          </button>
        </span>
      </th>
      <td className="overflow-hidden px-2 text-ellipsis whitespace-nowrap">
        <Needs context={context} student={student} />
      </td>
      <SlotCells slots={slots}>
        {(column) => (
          <Cell
            {...{ index, name, studentId, onOpen, column }}
            stopId={context.stops[column]?.id}
            mark={row?.marks[column] ?? ahead}
          />
        )}
      </SlotCells>
      <Numbers student={student} worth={context.terms.worth} now={context.now} />
    </tr>
  );
});

const ahead: Pick<StopMark, 'state'> = { state: 'ahead' };

interface CellProps extends Pick<Props, 'index' | 'name' | 'onOpen'> {
  readonly column: number;
  readonly studentId: string;
  readonly stopId: string | undefined;
  readonly mark: Pick<StopMark, 'state'> & Partial<StopMark>;
}

/** One stop of one student. Going sideways draws those that come into sight, and leaves the others. */
const Cell = memo(function Cell({ index, column, name, studentId, stopId, mark, onOpen }: CellProps) {
  return (
    <td className="text-center">
      <button
        type="button"
        data-cell={`${index}:${column + 1}`}
        tabIndex={-1}
        onClick={() => onOpen(studentId, stopId)}
        className="inline-grid size-7 place-items-center rounded-control"
      >
        <StateMark mark={mark} of={t('sheet.cell', { name, number: column + 1 })} />
      </button>
    </td>
  );
});

const Needs = memo(function Needs({ context, student }: Pick<Props, 'context' | 'student'>) {
  const { row, dueAt, attempt } = student;
  const need = needOfStudent(student, context);
  const hasOwnDate = context.dueDates.every((date) => date !== dueAt);
  return (
    <>
      <span className={joinClasses('rounded-control px-2 py-0.5 text-13', needStyle[need])}>{t(`need.${need}`)}</span>
      {isLate(row, dueAt) && (
        <span className="ml-1.5 text-13 text-brick">
          {student.result && student.result.latePercent > 0
            ? t('sheet.lateLess', { percent: student.result.latePercent })
            : t('sheet.late')}
        </span>
      )}
      {hasOwnDate && (
        <span className="ml-1.5 text-13 text-quiet">
          {dueAt === null ? t('sheet.ownNoDue') : t('sheet.ownDue', { time: formatInstant(dueAt, context.timeZone) })}
        </span>
      )}
      {attempt && <span className="ml-1.5 text-13 text-quiet">{t('sheet.attempt', attempt)}</span>}
      {row && <ToLookAt row={row} />}
    </>
  );
});

/** What the program does not vouch for, said beside what the student needs. */
function ToLookAt({ row }: { readonly row: SheetRow }) {
  const words = doubtWords(row);
  if (words.length === 0) return null;
  return (
    <span
      className="ml-1.5 inline-flex items-center gap-1 align-middle text-13 text-marigold-ink"
      title={words.join(' ')}
    >
      <TriangleAlert aria-hidden className="size-4" strokeWidth={1.75} />
      {t('sheet.lookAt')}
      <span className="sr-only">{words.join(' ')}</span>
    </span>
  );
}

interface NumbersProps {
  readonly student: SheetStudent;
  /** What all points together count, where that is not as many as there are. */
  readonly worth: number | undefined;
  readonly now: number;
}

const Numbers = memo(function Numbers({ student: { row, result }, worth, now }: NumbersProps) {
  const earned = result?.earned ?? row?.earned ?? 0;
  const possible = row?.possible ?? 0;
  const words = {
    progress: row && formatShare(row.progress),
    met: row && formatShare(row.metShare),
    time: row && formatMinutes(row.timeSpentMs),
    points: row && t('stop.points', { earned: formatPoints(earned), possible: formatPoints(possible) }),
    ...(worth === undefined
      ? {}
      : {
          counts:
            row &&
            t('stop.points', {
              earned: formatPoints(worthOf({ earned, possible }, worth)),
              possible: formatPoints(worth),
            }),
        }),
    lastSeen: row && formatAgo(row.lastSeenAt, now),
  };
  return Object.entries(words).map(([column, text]) => (
    <td key={column} className={numberCell}>
      {text ?? t('sheet.never')}
    </td>
  ));
});

import { worthOf } from '@semita/core/assignment';
import type { Sheet } from '@semita/core/contract';
import { isLate, type Need, needOfStudent, type SheetRow, type SheetStudent } from '@semita/core/sheet';
import { TriangleAlert } from 'lucide-react';
import { useRef } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';
import { StateMark } from '../../ui/state-mark.tsx';
import { formatAgo, formatInstant, formatMinutes, formatPoints, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { doubtWords } from '../marking/doubt-words.ts';
import './words.ts';
import '../assignment/words.ts';

interface Props {
  readonly sheet: Sheet;
  readonly students: readonly SheetStudent[];
  readonly onOpen: (studentId: string, stopId?: string) => void;
}

const needStyle: Record<Need, string> = {
  stuck: 'bg-brick-tint text-brick',
  overdue: 'bg-brick-tint text-brick',
  notBegun: 'bg-marigold-tint text-marigold-ink',
  toMark: 'bg-marigold-tint text-marigold-ink',
  underWay: 'bg-slate-tint text-slate',
  done: 'bg-spruce-tint text-spruce',
  excused: 'text-quiet',
  left: 'text-quiet',
};

const headCell = 'border-b border-line bg-card px-2 py-2 text-left text-13 font-medium text-quiet';
const numberCell = 'px-2 text-right font-mono text-13 whitespace-nowrap';

/** Students × stops. Arrows go from cell to cell, Enter opens the student at that stop. */
export function SheetTable({ sheet, students, onOpen }: Props) {
  const table = useRef<HTMLTableElement>(null);
  const onKeyDown = (event: React.KeyboardEvent) => {
    const step = { ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] }[event.key];
    const at = (event.target as HTMLElement).dataset.cell?.split(':').map(Number);
    if (!step || !at) return;
    const to = `${(at[0] ?? 0) + (step[0] ?? 0)}:${(at[1] ?? 0) + (step[1] ?? 0)}`;
    const cell = table.current?.querySelector<HTMLElement>(`[data-cell="${to}"]`);
    if (!cell) return;
    event.preventDefault();
    cell.focus();
  };
  return (
    <section className="overflow-auto rounded-card border border-line bg-card" aria-label={t('sheet.sheet')}>
      <table ref={table} className="w-full border-separate border-spacing-0 text-14" onKeyDown={onKeyDown}>
        <thead>
          <tr>
            <th scope="col" className={`${headCell} sticky left-0 z-10 pl-4`}>
              {t('sheet.student')}
            </th>
            <th scope="col" className={headCell}>
              {t('sheet.needs')}
            </th>
            {sheet.stops.map((stop, index) => {
              const words = [
                t('sheet.stopHeading', { number: index + 1, label: stop.label }),
                ...(stop.practice ? [t('part.practice')] : []),
              ].join(' · ');
              return (
                <th key={stop.id} scope="col" className={joinClasses(headCell, 'text-center')} title={words}>
                  <span className="sr-only">{words}</span>
                  {/* What is practice counts for nothing. */}
                  <span
                    aria-hidden
                    className={joinClasses(
                      'font-mono',
                      stop.practice && 'underline decoration-dotted underline-offset-4',
                    )}
                  >
                    {index + 1}
                  </span>
                </th>
              );
            })}
            {[
              ...[t('sheet.progress'), t('sheet.met'), t('sheet.time'), t('sheet.points')],
              ...(sheet.terms.worth === undefined ? [] : [t('sheet.counts')]),
              t('sheet.lastSeen'),
            ].map((label) => (
              <th key={label} scope="col" className={joinClasses(headCell, 'text-right last:pr-4')}>
                {label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {students.map((student, index) => (
            <Row key={student.studentId} sheet={sheet} student={student} index={index} onOpen={onOpen} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

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

interface RowProps {
  readonly sheet: Sheet;
  readonly student: SheetStudent;
  readonly index: number;
  readonly onOpen: Props['onOpen'];
}

function Row({ sheet, student, index, onOpen }: RowProps) {
  const { studentId, displayName, row, dueAt, attempt } = student;
  const need = needOfStudent(student, sheet);
  const { timeZone, to } = sheet.assignment;
  const hasOwnDate = to.every((one) => one.dueAt !== dueAt);
  return (
    <tr className="group h-9 hover:bg-main-tint">
      <th
        scope="row"
        className="sticky left-0 z-10 bg-card pl-2 text-left font-normal whitespace-nowrap group-hover:bg-main-tint"
      >
        <button
          type="button"
          data-cell={`${index}:0`}
          onClick={() => onOpen(studentId)}
          className="min-h-8 rounded-control px-2 font-medium hover:underline"
        >
          {displayName}
        </button>
      </th>
      <td className="px-2 whitespace-nowrap">
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
            {dueAt === null ? t('sheet.ownNoDue') : t('sheet.ownDue', { time: formatInstant(dueAt, timeZone) })}
          </span>
        )}
        {attempt && <span className="ml-1.5 text-13 text-quiet">{t('sheet.attempt', attempt)}</span>}
        {row && <ToLookAt row={row} />}
      </td>
      {sheet.stops.map((stop, column) => {
        const mark = row?.marks[column] ?? { state: 'ahead' as const };
        return (
          <td key={stop.id} className="text-center">
            <button
              type="button"
              data-cell={`${index}:${column + 1}`}
              tabIndex={-1}
              onClick={() => onOpen(studentId, stop.id)}
              className="inline-grid size-7 place-items-center rounded-control"
            >
              <StateMark mark={mark} of={t('sheet.cell', { name: displayName, number: column + 1 })} />
            </button>
          </td>
        );
      })}
      <Numbers student={student} worth={sheet.terms.worth} now={sheet.now} />
    </tr>
  );
}

interface NumbersProps {
  readonly student: SheetStudent;
  /** What all points together count, where that is not as many as there are. */
  readonly worth: number | undefined;
  readonly now: number;
}

function Numbers({ student: { row, result }, worth, now }: NumbersProps) {
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
    <td key={column} className={joinClasses(numberCell, 'last:pr-4')}>
      {text ?? t('sheet.never')}
    </td>
  ));
}

import type { Series, SeriesCell } from '@semita/core/contract';
import { Check, Lock } from 'lucide-react';
import { Link } from 'react-router';
import { joinClasses } from '../../ui/join-classes.ts';
import { ProgressBar } from '../../ui/progress-bar.tsx';
import { formatInstant, formatPoints, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

const headCell = 'border-b border-line bg-card px-3 py-3 text-left align-top text-13 font-medium text-quiet';

/** Students × lessons of a series: who is where, and what has come of it. */
export function SeriesTable({ series }: { readonly series: Series }) {
  const { steps, students, now } = series;
  return (
    <section className="overflow-x-auto rounded-card border border-line bg-card" aria-label={series.title}>
      <table className="w-full border-separate border-spacing-0 text-14">
        <thead>
          <tr>
            <th scope="col" className={joinClasses(headCell, 'sticky left-0 z-10 pl-5')}>
              {t('series.student')}
            </th>
            <th scope="col" className={headCell}>
              {t('series.done')}
            </th>
            {steps.map((step) => (
              <th key={step.assignmentId} scope="col" className={joinClasses(headCell, 'min-w-40')}>
                <Link to={`/assignments/${step.assignmentId}`} className="text-14 text-ink underline">
                  {step.title}
                </Link>
                <span className="mt-1 block font-normal">
                  {step.isExtra ? t('series.extra') : opensWords(step, series)}
                </span>
                <span className="block font-normal">
                  {step.dueAt === null
                    ? t('series.noDue')
                    : t('series.due', { time: formatInstant(step.dueAt, series.timeZone) })}
                </span>
              </th>
            ))}
          </tr>
          <tr>
            <th scope="row" className={joinClasses(headCell, 'sticky left-0 z-10 py-2 pl-5')}>
              {t('series.onAverage')}
            </th>
            <td className={joinClasses(headCell, 'py-2')} />
            {steps.map((step, index) => {
              const cells = students.flatMap(({ cells: own }) => own[index] ?? []).filter(({ excused }) => !excused);
              const done = cells.filter(({ handedInAt }) => handedInAt !== null).length;
              const words = t('series.doneOf', { done, count: cells.length });
              return (
                <td key={step.assignmentId} className={joinClasses(headCell, 'py-2')}>
                  <ProgressBar share={done / Math.max(1, cells.length)} label={`${step.title}: ${words}`} />
                  <span className="font-normal">{words}</span>
                </td>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {students.map(({ studentId, displayName, done, count, cells }) => (
            <tr key={studentId} className="hover:bg-main-tint">
              <th
                scope="row"
                className="sticky left-0 border-b border-line bg-card px-3 py-1.5 pl-5 text-left font-normal whitespace-nowrap"
              >
                {displayName}
              </th>
              <td className="border-b border-line px-3 font-mono text-13 whitespace-nowrap">
                {t('series.doneOf', { done, count })}
              </td>
              {cells.map((cell, index) => (
                <td key={steps[index]?.assignmentId} className="border-b border-line px-3 py-1.5">
                  <Cell cell={cell} now={now} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function opensWords({ opensAt, afterPercent }: Series['steps'][number], { timeZone }: Series): string {
  if (afterPercent !== null)
    return afterPercent === 0 ? t('series.after') : t('series.afterPercent', { percent: afterPercent });
  return opensAt === null ? t('series.atOnce') : t('series.byDate', { time: formatInstant(opensAt, timeZone) });
}

const pill = 'inline-flex items-center gap-1 rounded-full px-2 py-0.5 text-13 whitespace-nowrap';

/** Said in words, with a shape beside them where that tells it sooner. */
function Cell({ cell, now }: { readonly cell: SeriesCell; readonly now: number }) {
  if (cell === null) return <span className="text-13 text-quiet">{t('series.cell.none')}</span>;
  const { begun, excused, handedInAt, dueAt, progress, earned, possible, toMark, waits } = cell;
  if (excused) return <span className="text-13 text-quiet">{t('series.cell.excused')}</span>;
  if (handedInAt !== null)
    return (
      <span
        className={joinClasses(pill, toMark > 0 ? 'bg-marigold-tint text-marigold-ink' : 'bg-spruce-tint text-spruce')}
      >
        <Check aria-hidden className="size-3.5" strokeWidth={2} />
        {toMark > 0
          ? t('series.cell.toMark')
          : possible === 0
            ? t('series.cell.handedIn')
            : t('series.cell.points', { earned: formatPoints(earned), possible: formatPoints(possible) })}
      </span>
    );
  if (waits)
    return (
      <span className="inline-flex items-center gap-1 text-13 text-quiet">
        <Lock aria-hidden className="size-3.5" strokeWidth={1.75} />
        {t('series.cell.waits')}
      </span>
    );
  const isLate = dueAt !== null && now > dueAt;
  if (isLate) return <span className={joinClasses(pill, 'bg-brick-tint text-brick')}>{t('series.cell.late')}</span>;
  if (!begun) return <span className="text-13 text-quiet">{t('series.cell.ahead')}</span>;
  return (
    <span className={joinClasses(pill, 'bg-slate-tint text-slate')}>
      {t('series.cell.under', { share: formatShare(progress) })}
    </span>
  );
}

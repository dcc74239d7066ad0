import type { AssignmentSummary } from '@semita/core/contract';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { ProgressBar } from '../../ui/progress-bar.tsx';
import { formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

/** Assignments as rows: what, for whom, until when, how far. */
export function AssignmentList({
  assignments,
  isOfOneClass = false,
  actionOf,
}: {
  readonly assignments: readonly AssignmentSummary[];
  /** Where the place says already which class. */
  readonly isOfOneClass?: boolean;
  /** What can be done with one of them right here. */
  readonly actionOf?: (assignment: AssignmentSummary) => ReactNode;
}) {
  return (
    <ul className="divide-y divide-line overflow-hidden rounded-card border border-line bg-card">
      {assignments.map((one) => {
        const handedIn = t('today.handedIn', { count: one.handedInCount, all: one.studentCount });
        return (
          <li
            key={one.id}
            className="relative grid items-center gap-x-6 gap-y-1 px-5 py-3 hover:bg-main-tint sm:grid-cols-[1fr_auto_14rem]"
          >
            <div>
              <Link to={`/assignments/${one.id}`} className="font-medium after:absolute after:inset-0">
                {one.title}
              </Link>
              <p className="text-14 text-quiet">
                {!isOfOneClass && `${one.className}, `}
                {one.dueAt === null
                  ? t('today.noDue')
                  : t('today.due', { time: formatInstant(one.dueAt, one.timeZone) })}
                {one.series && (
                  <>
                    {', '}
                    <Link to={`/series/${one.series.id}`} className="relative underline">
                      {t('sheet.ofSeries', { title: one.series.title })}
                    </Link>
                  </>
                )}
              </p>
            </div>
            <div className="relative">{actionOf?.(one)}</div>
            <div className="grid gap-1">
              <ProgressBar share={one.handedInCount / Math.max(1, one.studentCount)} label={handedIn} />
              <p className="text-13 text-quiet">{handedIn}</p>
            </div>
          </li>
        );
      })}
    </ul>
  );
}

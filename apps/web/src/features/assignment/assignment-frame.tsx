import type { Sheet } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { QueryView } from '../../ui/query-view.tsx';
import { TabLink } from '../../ui/tab-link.tsx';
import { formatDay, formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { sheetOptions } from './queries.ts';
import './words.ts';

/** Head and tabs of an assignment. */
export function AssignmentFrame({
  actions,
  children,
}: {
  readonly actions?: (sheet: Sheet) => ReactNode;
  readonly children: (sheet: Sheet) => ReactNode;
}) {
  const { assignmentId = '' } = useParams();
  const query = useQuery(sheetOptions(assignmentId));
  return (
    <QueryView isPage query={query}>
      {(sheet) => {
        const { title, className, classId, dueAt, timeZone, series } = sheet.assignment;
        return (
          <div className="flex min-h-0 grow flex-col">
            <div className="border-b border-line bg-card px-5 pt-4 print:hidden">
              <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
                <h1 className="text-22">{title}</h1>
                <p className="grow text-14 text-quiet">
                  <Link to={`/classes/${classId}`} className="underline">
                    {className}
                  </Link>
                  , {dueAt === null ? t('today.noDue') : t('today.due', { time: formatInstant(dueAt, timeZone) })},{' '}
                  <Link to={`/lessons/${sheet.lessonId}`} className="underline">
                    {t('sheet.edition', { number: sheet.editionNumber })}
                  </Link>
                  {series && (
                    <>
                      {', '}
                      <Link to={`/series/${series.id}`} className="underline">
                        {t('sheet.ofSeries', { title: series.title })}
                      </Link>
                    </>
                  )}
                </p>
                {actions?.(sheet)}
              </div>
              <nav aria-label={title} className="flex gap-5">
                <TabLink end to={`/assignments/${assignmentId}`}>
                  {t('sheet.sheet')}
                </TabLink>
                <TabLink to={`/assignments/${assignmentId}/stops`}>{t('sheet.stops')}</TabLink>
                <TabLink to={`/assignments/${assignmentId}/watching`}>{t('sheet.watching')}</TabLink>
                <TabLink to={`/assignments/${assignmentId}/path`}>{t('path.title')}</TabLink>
                <TabLink to={`/assignments/${assignmentId}/marking`}>{t('marking.title')}</TabLink>
                <TabLink to={`/assignments/${assignmentId}/look-back`}>{t('sheet.lookBack')}</TabLink>
                <TabLink to={`/assignments/${assignmentId}/terms`}>{t('sheet.terms')}</TabLink>
              </nav>
            </div>
            <p className="hidden px-5 font-heading text-18 print:block">
              {title}, {className}, {formatDay(Date.now())}
            </p>
            {children(sheet)}
          </div>
        );
      }}
    </QueryView>
  );
}

import type { Sheet } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, NavLink, useParams } from 'react-router';
import { joinClasses } from '../../ui/join-classes.ts';
import { QueryView } from '../../ui/query-view.tsx';
import { formatInstant } from '../../words/format.ts';
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
  const tab = ({ isActive }: { isActive: boolean }) =>
    joinClasses(
      'border-b-2 px-1 py-2 text-14 font-medium',
      isActive ? 'border-main text-main' : 'border-transparent text-quiet',
    );
  return (
    <QueryView isPage query={query}>
      {(sheet) => {
        const { title, className, classId, dueAt, timeZone } = sheet.assignment;
        return (
          <div className="flex min-h-0 grow flex-col">
            <div className="border-b border-line bg-card px-5 pt-4">
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
                </p>
                {actions?.(sheet)}
              </div>
              <nav aria-label={title} className="flex gap-5">
                <NavLink end to={`/assignments/${assignmentId}`} className={tab}>
                  {t('sheet.sheet')}
                </NavLink>
                <NavLink to={`/assignments/${assignmentId}/path`} className={tab}>
                  {t('path.title')}
                </NavLink>
                <NavLink to={`/assignments/${assignmentId}/marking`} className={tab}>
                  {t('marking.title')}
                </NavLink>
                <NavLink to={`/assignments/${assignmentId}/terms`} className={tab}>
                  {t('sheet.terms')}
                </NavLink>
              </nav>
            </div>
            {children(sheet)}
          </div>
        );
      }}
    </QueryView>
  );
}

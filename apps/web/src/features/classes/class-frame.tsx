import { useQuery } from '@tanstack/react-query';
import { Outlet, useOutletContext, useParams } from 'react-router';
import { ClassMark } from '../../ui/class-mark.tsx';
import { Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { TabLink } from '../../ui/tab-link.tsx';
import { formatDay } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { type ClassView, classOptions } from './queries.ts';
import './words.ts';

/** Head and tabs of a class. */
export function Component() {
  const { classId = '' } = useParams();
  const query = useQuery(classOptions(classId));
  return (
    <QueryView isPage query={query}>
      {(one) => (
        <>
          <div className="border-b border-line bg-card pt-4 print:hidden">
            <div className="mx-auto grid w-full max-w-6xl gap-1 px-5">
              <div className="flex items-center gap-3">
                <ClassMark {...one} />
                <h1 className="min-w-0 grow text-22 [overflow-wrap:anywhere]">{one.name}</h1>
              </div>
              <nav aria-label={one.name} className="flex gap-5">
                <TabLink end to={`/classes/${classId}`}>
                  {t('classes.studentsTitle')} ({one.students.length})
                </TabLink>
                <TabLink to={`/classes/${classId}/given`}>
                  {t('classes.given')} ({one.assignments.filter(({ takenBackAt }) => takenBackAt === null).length})
                </TabLink>
                <TabLink to={`/classes/${classId}/gradebook`}>{t('classes.gradebook')}</TabLink>
                <TabLink to={`/classes/${classId}/targets`}>{t('classes.targets')}</TabLink>
                <TabLink to={`/classes/${classId}/come-back`}>{t('classes.comeBack')}</TabLink>
                {one.runs && <TabLink to={`/classes/${classId}/settings`}>{t('classes.settings')}</TabLink>}
              </nav>
            </div>
          </div>
          <div className="mx-auto grid w-full max-w-6xl content-start gap-6 px-5 py-6 print:max-w-none print:p-0">
            {one.isArchived && <Notice tone="attention">{t('classes.isPutAway')}</Notice>}
            {!one.runs && <Notice>{t('classes.youStandIn')}</Notice>}
            <Outlet context={one} />
          </div>
        </>
      )}
    </QueryView>
  );
}

/** The class whose page stands around. */
export const useClass = () => useOutletContext<ClassView>();

/** What a table of the class is headed by on paper, where the head of the page is not. */
export function OnPaper({ title }: { readonly title: string }) {
  const { name } = useClass();
  return (
    <p className="hidden font-heading text-18 print:block">
      {name}: {title}, {formatDay(Date.now())}
    </p>
  );
}

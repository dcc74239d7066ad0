import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { EmptyPlace } from '../../ui/notice.tsx';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { classesOptions } from './queries.ts';
import './words.ts';

export function Component() {
  const query = useQuery(classesOptions());
  return (
    <Page title={t('classes.title')}>
      <QueryView query={query}>
        {(classes) =>
          classes.length === 0 ? (
            <EmptyPlace title={t('classes.empty')} />
          ) : (
            <ul className="divide-y divide-line overflow-hidden rounded-card border border-line bg-card">
              {classes.map((one) => (
                <li key={one.id} className="relative flex items-baseline gap-4 px-5 py-4 hover:bg-main-tint">
                  <Link to={`/classes/${one.id}`} className="grow font-medium after:absolute after:inset-0">
                    {one.name}
                  </Link>
                  <span className="text-14 text-quiet">{t('classes.students', { count: one.studentCount })}</span>
                  <span className="text-14 text-quiet">{one.timeZone}</span>
                </li>
              ))}
            </ul>
          )
        }
      </QueryView>
    </Page>
  );
}

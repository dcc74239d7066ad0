import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { feedbackOptions } from './queries.ts';

export function Component() {
  const query = useQuery(feedbackOptions());
  return (
    <>
      <h1 className="text-28">{t('todo.feedback')}</h1>
      <QueryView query={query}>
        {(items) =>
          items.length === 0 ? (
            <EmptyPlace title={t('todo.feedbackEmpty')}>
              <p>{t('todo.feedbackEmptyHelp')}</p>
            </EmptyPlace>
          ) : (
            <ul className="grid gap-4">
              {items.map((item) => (
                <li
                  key={`${item.assignmentId}${item.stem}`}
                  className="grid gap-3 rounded-card border border-line bg-card p-5"
                >
                  <div className="grid justify-items-start gap-1">
                    <Link to={`/walk/${item.assignmentId}`} className="text-14 text-main underline">
                      {item.title}
                    </Link>
                    <h2 className="text-18">{item.stem}</h2>
                  </div>
                  <div>
                    <h3 className="text-13 text-quiet">{t('todo.yourAnswer')}</h3>
                    <p className="whitespace-pre-wrap">{item.answer}</p>
                  </div>
                  {item.comment && (
                    <div className="rounded-control border-l-4 border-main bg-main-tint px-4 py-3">
                      <h3 className="text-13 text-quiet">{t('todo.comment')}</h3>
                      <p className="whitespace-pre-wrap">{item.comment}</p>
                    </div>
                  )}
                  {item.points !== null && (
                    <p className="font-medium">
                      {t('todo.points', { earned: formatPoints(item.points), possible: formatPoints(item.possible) })}
                    </p>
                  )}
                </li>
              ))}
            </ul>
          )
        }
      </QueryView>
    </>
  );
}

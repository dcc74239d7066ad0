import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { t } from '../../words/words.ts';
import { waitingReviewsOptions } from '../review-list/queries.ts';
import { sectionsOf } from './sections.ts';
import { TodoList } from './todo-list.tsx';
import './words.ts';

/** Most days nothing comes back, and most classes have it off. */
const WaitingReviews = lazy(() => import('../review-list/waiting-reviews.tsx'));

export function Component() {
  const { data: reviews = [] } = useQuery(waitingReviewsOptions());
  const hasReviews = reviews.length > 0;
  return (
    <TodoList
      title={t('todo.title')}
      above={
        hasReviews && (
          <Suspense>
            <WaitingReviews reviews={reviews} />
          </Suspense>
        )
      }
      sectionsOf={(items, now) =>
        sectionsOf(
          items.filter((item) => item.handedInAt === null || item.givenBack.count > 0),
          now,
        )
      }
      empty={hasReviews ? t('todo.emptyElse') : t('todo.empty')}
      emptyHelp={t('todo.emptyHelp')}
    />
  );
}

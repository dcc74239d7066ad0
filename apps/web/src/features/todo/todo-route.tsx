import { lazy, Suspense } from 'react';
import { t } from '../../words/words.ts';
import { sectionsOf } from './sections.ts';
import { TodoList } from './todo-list.tsx';
import './words.ts';

/** Most days nothing comes back, and most classes have it off. */
const WaitingReviews = lazy(() => import('../review/waiting-reviews.tsx'));

export function Component() {
  return (
    <TodoList
      title={t('todo.title')}
      above={
        <Suspense>
          <WaitingReviews />
        </Suspense>
      }
      sectionsOf={(items, now) =>
        sectionsOf(
          items.filter((item) => item.handedInAt === null || item.givenBack.count > 0),
          now,
        )
      }
      empty={t('todo.empty')}
      emptyHelp={t('todo.emptyHelp')}
    />
  );
}

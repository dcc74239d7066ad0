import { windowPhase } from '@semita/core/assignment';
import type { TodoItem } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { todoOptions } from '../todo/queries.ts';
import { type Dated, entriesOf } from './entries.ts';
import { WeekView } from './week-view.tsx';
import './words.ts';

/** What opens, is due and closes for a student, each by their own dates. */
export function Component() {
  const query = useQuery(todoOptions());
  return (
    <>
      <h1 className="text-28">{t('week.title')}</h1>
      <QueryView query={query}>
        {({ items, now }) => (
          <WeekView
            now={now}
            entries={entriesOf(items.filter((one) => !one.excused).map((one) => toDated(one, now)))}
          />
        )}
      </QueryView>
    </>
  );
}

function toDated(item: TodoItem, now: number): Dated {
  const { assignmentId, title, className, timeZone, opensAt, dueAt, closesAt, handedInAt, begun } = item;
  const phase = windowPhase(item, now);
  const canWalk = begun || phase === 'open' || phase === 'pastDue';
  return {
    ...{ key: assignmentId, title, beside: className, timeZone, opensAt, dueAt, closesAt },
    to: canWalk ? `/walk/${assignmentId}` : null,
    isDone: handedInAt !== null,
    state: handedInAt === null ? null : t('week.done'),
  };
}

import type { TodoItem } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { todoOptions } from './queries.ts';
import { TodoCard } from './todo-card.tsx';

interface Props {
  readonly title: string;
  readonly accepts: (item: TodoItem) => boolean;
  readonly empty: string;
  readonly emptyHelp?: string;
}

/** A student's list, to do or done: the same cards, other items. */
export function TodoList({ title, accepts, empty, emptyHelp }: Props) {
  const query = useQuery(todoOptions());
  return (
    <>
      <h1 className="text-28">{title}</h1>
      <QueryView query={query}>
        {({ items, now }) => {
          // What came back is first: somebody waits for it.
          const shown = items
            .filter(accepts)
            .toSorted((a, b) => Number(b.givenBack.count > 0) - Number(a.givenBack.count > 0));
          if (shown.length === 0) return <EmptyPlace title={empty}>{emptyHelp && <p>{emptyHelp}</p>}</EmptyPlace>;
          return (
            <ul className="grid gap-4">
              {shown.map((item) => (
                <TodoCard key={item.assignmentId} item={item} now={now} />
              ))}
            </ul>
          );
        }}
      </QueryView>
    </>
  );
}

import type { TodoItem } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { todoOptions } from './queries.ts';
import type { Section } from './sections.ts';
import { TodoCard } from './todo-card.tsx';

interface Props {
  readonly title: string;
  readonly sectionsOf: (items: readonly TodoItem[], now: number) => readonly Section[];
  readonly empty: string;
  readonly emptyHelp?: string;
  /** What stands between the title and the list. */
  readonly above?: ReactNode;
}

/** A student's list, to do or done: the same cards, other items. */
export function TodoList({ title, sectionsOf, empty, emptyHelp, above }: Props) {
  const query = useQuery(todoOptions());
  return (
    <>
      <h1 className="text-28">{title}</h1>
      {above}
      <QueryView query={query}>
        {({ items, now }) => {
          const sections = sectionsOf(items, now);
          if (sections.length === 0) return <EmptyPlace title={empty}>{emptyHelp && <p>{emptyHelp}</p>}</EmptyPlace>;
          return sections.map((section) => (
            <section key={section.title} aria-label={section.title} className="grid gap-3">
              <h2 className="text-16 text-quiet">{section.title}</h2>
              <ul className="grid gap-4">
                {section.items.map((item) => (
                  <TodoCard key={item.assignmentId} item={item} now={now} />
                ))}
              </ul>
            </section>
          ));
        }}
      </QueryView>
    </>
  );
}

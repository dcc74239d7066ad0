import type { TodoItem } from '@semita/core/contract';
import { t } from '../../words/words.ts';
import { TodoList } from './todo-list.tsx';
import './words.ts';

export function Component() {
  return <TodoList title={t('todo.done')} sectionsOf={byMonth} empty={t('todo.doneEmpty')} />;
}

/** What was handed in last comes first. */
function byMonth(items: readonly TodoItem[]) {
  const done = items
    .filter(({ handedInAt }) => handedInAt !== null)
    .toSorted((a, b) => (b.handedInAt ?? 0) - (a.handedInAt ?? 0));
  const monthOf = ({ handedInAt, timeZone }: TodoItem) =>
    new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone }).format(handedInAt ?? 0);
  return [...new Set(done.map(monthOf))].map((title) => ({
    title,
    items: done.filter((item) => monthOf(item) === title),
  }));
}

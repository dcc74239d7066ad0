import { t } from '../../words/words.ts';
import { sectionsOf } from './sections.ts';
import { TodoList } from './todo-list.tsx';
import './words.ts';

export function Component() {
  return (
    <TodoList
      title={t('todo.title')}
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

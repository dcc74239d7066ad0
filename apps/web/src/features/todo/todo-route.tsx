import { t } from '../../words/words.ts';
import { TodoList } from './todo-list.tsx';
import './words.ts';

export function Component() {
  return (
    <TodoList
      title={t('todo.title')}
      accepts={(item) => item.handedInAt === null || item.givenBack.count > 0}
      empty={t('todo.empty')}
      emptyHelp={t('todo.emptyHelp')}
    />
  );
}

import { t } from '../../words/words.ts';
import { TodoList } from './todo-list.tsx';
import './words.ts';

export function Component() {
  return <TodoList title={t('todo.done')} accepts={(item) => item.handedInAt !== null} empty={t('todo.doneEmpty')} />;
}

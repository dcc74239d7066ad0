import { Outlet } from 'react-router';
import { PageFrame } from '../../ui/page-frame.tsx';
import { enStudent } from '../../words/en-student.ts';
import { addWords, t } from '../../words/words.ts';
import { PersonMenu } from '../session/person-menu.tsx';
import { RequireRole } from '../session/require-role.tsx';

addWords(enStudent);

export function Component() {
  const places = [
    { to: '/to-do', label: t('todo.title') },
    { to: '/done', label: t('todo.done') },
    { to: '/feedback', label: t('todo.feedback') },
  ];
  return (
    <RequireRole is="student">
      {(me) => (
        <PageFrame places={places} end={<PersonMenu me={me} />}>
          <div className="mx-auto grid w-full max-w-3xl content-start gap-6 px-4 py-8 sm:px-6">
            <Outlet />
          </div>
        </PageFrame>
      )}
    </RequireRole>
  );
}

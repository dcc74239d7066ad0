import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Outlet } from 'react-router';
import { call } from '../../api/client.ts';
import { PageFrame } from '../../ui/page-frame.tsx';
import { enStudent } from '../../words/en-student.ts';
import { addWords, t } from '../../words/words.ts';
import { PersonMenu } from '../session/person-menu.tsx';
import { RequireRole } from '../session/require-role.tsx';
import { openOutbox } from '../walk/outbox.ts';
import { sendLeftOver } from '../walk/send-left-over.ts';
import { todoOptions } from './queries.ts';

addWords(enStudent);
const outbox = openOutbox();

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
          <LeftOver />
          <div className="mx-auto grid w-full max-w-3xl content-start gap-6 px-4 py-8 sm:px-6">
            <Outlet />
          </div>
        </PageFrame>
      )}
    </RequireRole>
  );
}

/** Work that was cut off on this device is sent as soon as its student is back, also without opening the lesson. */
function LeftOver() {
  const queryClient = useQueryClient();
  useEffect(() => {
    const run = async () => {
      const sent = await sendLeftOver(outbox, (attemptId, events) =>
        call('takeInEvents', { params: { attemptId }, body: { events } }),
      );
      if (sent > 0) await queryClient.invalidateQueries(todoOptions());
    };
    const onOnline = () => void run();
    void run();
    window.addEventListener('online', onOnline);
    return () => window.removeEventListener('online', onOnline);
  }, [queryClient]);
  return null;
}

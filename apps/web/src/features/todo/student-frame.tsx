import type { Me } from '@semita/core/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Outlet } from 'react-router';
import { useLive } from '../../live/use-live.ts';
import { Notice } from '../../ui/notice.tsx';
import { PageFrame } from '../../ui/page-frame.tsx';
import { t } from '../../words/words.ts';
import { feedbackOptions } from '../feedback/queries.ts';
import { noticesOptions } from '../notices/queries.ts';
import type { LeftOver } from '../outbox/send-left-over.ts';
import { waitingReviewsOptions } from '../review-list/queries.ts';
import { PersonMenu } from '../session/person-menu.tsx';
import { sessionOptions } from '../session/queries.ts';
import { RequireRole } from '../session/require-role.tsx';
import { NoticeBell } from './notice-bell.tsx';
import { todoOptions } from './queries.ts';
import './words.ts';
import '../materials/words.ts';

export function Component() {
  return <RequireRole is="student">{(me) => <Frame me={me} />}</RequireRole>;
}

function Frame({ me }: { readonly me: Me }) {
  const queryClient = useQueryClient();
  const todo = useQuery(todoOptions());
  // A mark, a word, later dates, another attempt: in front of the student at once.
  const askAgain = () => {
    for (const { queryKey } of [todoOptions(), feedbackOptions(), noticesOptions()])
      void queryClient.invalidateQueries({ queryKey });
  };
  useLive('own', todo.data?.version, { changed: askAgain, askAgain });
  const backCount = (todo.data?.items ?? []).reduce((sum, { givenBack }) => sum + givenBack.count, 0);
  const places = [
    { to: '/to-do', label: t('todo.title') },
    { to: '/my-week', label: t('todo.week') },
    { to: '/done', label: t('todo.done') },
    {
      to: '/feedback',
      label: t('todo.feedback'),
      count: backCount,
      countLabel: t('todo.givenBack', { count: backCount }),
    },
  ];
  return (
    <PageFrame
      places={places}
      end={
        <>
          <NoticeBell />
          <PersonMenu me={me} />
        </>
      }
    >
      <LeftOverNotice userId={me.id} />
      {me.waitingFor.length > 0 && <WaitingNotice classNames={me.waitingFor} />}
      <div className="mx-auto grid w-full max-w-3xl content-start gap-6 px-4 py-8 sm:px-6">
        <Outlet />
      </div>
    </PageFrame>
  );
}

/** They have asked to be let into a class; this page sees by itself when they are. */
function WaitingNotice({ classNames }: { readonly classNames: readonly string[] }) {
  const queryClient = useQueryClient();
  const session = useQuery({ ...sessionOptions(), refetchInterval: 10_000 });
  const count = session.data?.me?.waitingFor.length;
  useEffect(() => {
    if (count !== classNames.length) void queryClient.invalidateQueries(todoOptions());
  }, [count, classNames.length, queryClient]);
  return (
    <div className="mx-auto grid w-full max-w-3xl px-4 pt-6 sm:px-6">
      <Notice role="status">{t('todo.waitingFor', { names: classNames.join(', ') })}</Notice>
    </div>
  );
}

/** Behind the list: the list itself is wanted first. */
const loadOutbox = () =>
  Promise.all([import('../outbox/outbox.ts'), import('../outbox/send-left-over.ts'), import('../outbox/doors.ts')]);

/** Work that was cut off on this device is sent as soon as its student is back, also without opening the lesson. */
function LeftOverNotice({ userId }: { readonly userId: string }) {
  const queryClient = useQueryClient();
  const [leftOver, setLeftOver] = useState<LeftOver>(noneLeft);
  useEffect(() => {
    const run = async () => {
      // Cut off again while it was loaded: what is here stays here until the next time.
      const rooms = await loadOutbox().catch(() => null);
      if (!rooms) return;
      const [{ openOutbox }, { sendLeftOver }, { sendToDoor }] = rooms;
      const told = await sendLeftOver(openOutbox(userId), sendToDoor);
      setLeftOver(told);
      if (told.sent === 0) return;
      for (const { queryKey } of [todoOptions(), waitingReviewsOptions()])
        await queryClient.invalidateQueries({ queryKey });
    };
    const onOnline = () => void run();
    onOnline();
    window.addEventListener('online', onOnline);
    return () => window.removeEventListener('online', onOnline);
  }, [queryClient, userId]);
  if (leftOver.kept + leftOver.afterClosing === 0) return null;
  return (
    <div className="mx-auto grid w-full max-w-3xl gap-3 px-4 pt-6 sm:px-6">
      {leftOver.kept > 0 && (
        <Notice tone="attention" role="status">
          {t('todo.leftOver', { count: leftOver.kept })}
        </Notice>
      )}
      {leftOver.afterClosing > 0 && (
        <Notice tone="attention" role="status">
          {t('walk.afterClosing')}
        </Notice>
      )}
    </div>
  );
}

const noneLeft: LeftOver = { sent: 0, kept: 0, afterClosing: 0 };

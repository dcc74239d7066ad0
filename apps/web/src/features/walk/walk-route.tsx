import type { SentEvent, Walk } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { v7 } from 'uuid';
import { call } from '../../api/client.ts';
import { useLive } from '../../live/use-live.ts';
import { QueryView } from '../../ui/query-view.tsx';
import { formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { type Outbox, openOutbox } from '../outbox/outbox.ts';
import { RequireRole } from '../session/require-role.tsx';
import { placeOf } from './place-link.ts';
import { createWalkSession } from './walk-session.ts';
import { WalkView } from './walk-view.tsx';
import './words.ts';

export function Component() {
  return <RequireRole is="student">{(me) => <OwnWalk userId={me.id} />}</RequireRole>;
}

function OwnWalk({ userId }: { readonly userId: string }) {
  const { assignmentId = '' } = useParams();
  const [outbox] = useState(() => openOutbox(userId));
  const query = useQuery({
    queryKey: ['walk', userId, assignmentId],
    queryFn: async () => {
      const walk = await call('beginWalk', { params: { assignmentId } });
      return { walk, leftOver: await outbox.list(walk.attemptId) };
    },
    // A walk is opened once; from then on its session keeps it up to date.
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  });
  return (
    <QueryView isPage query={query}>
      {(opened) => <OpenWalk key={opened.walk.attemptId} outbox={outbox} {...opened} />}
    </QueryView>
  );
}

interface Opened {
  readonly walk: Walk;
  readonly leftOver: readonly SentEvent[];
  readonly outbox: Outbox;
}

function OpenWalk({ walk, leftOver, outbox }: Opened) {
  const { attemptId, assignmentId, terms, view, now, timeZone } = walk;
  const [{ dueAt, closesAt }, setWindow] = useState({ dueAt: walk.dueAt, closesAt: walk.closesAt });
  const [session] = useState(() =>
    createWalkSession({
      attemptId,
      assignmentId,
      terms,
      view,
      serverNow: now,
      leftOver,
      outbox,
      send: (events, options) => call('takeInEvents', { params: { attemptId }, body: { events } }, options),
      refresh: async () => {
        const { view: fresh, dueAt, closesAt } = await call('beginWalk', { params: { assignmentId } });
        setWindow({ dueAt, closesAt });
        return fresh;
      },
      newId: () => v7(),
    }),
  );
  useLive('own', walk.version, {
    changed: (message) => {
      if (message.assignmentId === assignmentId) void session.lookAgain();
    },
    askAgain: () => void session.lookAgain(),
  });
  const dueLine = dueAt === null ? undefined : t('walk.dueLine', { time: formatInstant(dueAt, timeZone) });
  const { nextLessons } = walk;
  const [search] = useSearchParams();
  const [startAt] = useState(() => placeOf(search));
  // Without a due date what was handed in can be taken back as long as the lesson is open.
  const withdrawUntil = dueAt ?? closesAt ?? Number.POSITIVE_INFINITY;
  return (
    <WalkView
      {...{ session, dueLine, nextLessons, withdrawUntil, startAt }}
      backTo="/to-do"
      backLabel={t('walk.leave')}
    />
  );
}

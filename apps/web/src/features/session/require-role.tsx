import type { Me, Role } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Navigate } from 'react-router';
import { ErrorNotice, Loading } from '../../ui/notice.tsx';
import { sessionOptions } from './queries.ts';

/** Lets one role in and leads everybody else to their own place. The server checks again, with every request. */
export function RequireRole({ is, children }: { readonly is: Role; readonly children: (me: Me) => ReactNode }) {
  const session = useQuery(sessionOptions());
  if (session.isError) return <ErrorNotice error={session.error} onRetry={() => void session.refetch()} />;
  if (!session.data) return <Loading />;
  const { me } = session.data;
  return me?.roles.includes(is) ? children(me) : <Navigate to="/" replace />;
}

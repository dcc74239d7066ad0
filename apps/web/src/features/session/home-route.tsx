import type { Me } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { Navigate } from 'react-router';
import { ErrorNotice, Loading } from '../../ui/notice.tsx';
import { sessionOptions } from './queries.ts';

/** Sends everybody to where their day begins. */
export function HomeRoute() {
  const session = useQuery(sessionOptions());
  if (session.isError) return <ErrorNotice error={session.error} onRetry={() => void session.refetch()} />;
  if (!session.data) return <Loading />;
  const { me } = session.data;
  return <Navigate to={beginningOf(me)} replace />;
}

function beginningOf(me: Me | null): string {
  if (!me) return '/sign-in';
  if (me.roles.includes('teacher')) return '/today';
  return me.roles.includes('admin') ? '/school' : '/to-do';
}

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
  const to = !me ? '/sign-in' : me.roles.includes('teacher') ? '/today' : '/to-do';
  return <Navigate to={to} replace />;
}

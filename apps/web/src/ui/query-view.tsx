import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { ErrorNotice, Loading } from './notice.tsx';

/** The designed states of a query: loading, error, and what is there. */
export function QueryView<T>({
  query,
  children,
}: {
  readonly query: UseQueryResult<T>;
  readonly children: (data: T) => ReactNode;
}) {
  if (query.data !== undefined) return children(query.data);
  if (query.isError) return <ErrorNotice error={query.error} onRetry={() => void query.refetch()} />;
  return <Loading />;
}

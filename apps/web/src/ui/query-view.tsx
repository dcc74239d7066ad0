import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { ErrorScreen } from './error-page.tsx';
import { ErrorNotice, Loading } from './notice.tsx';

interface Props<T> {
  readonly query: Pick<UseQueryResult<T>, 'data' | 'isError' | 'error' | 'refetch'>;
  /** The whole page stands on this query; without it there is no heading either. */
  readonly isPage?: boolean;
  readonly children: (data: T) => ReactNode;
}

/** The designed states of a query: loading, error, and what is there. */
export function QueryView<T>({ query, isPage = false, children }: Props<T>) {
  if (query.data !== undefined) return children(query.data);
  if (!query.isError) return <Loading />;
  const ErrorView = isPage ? ErrorScreen : ErrorNotice;
  return <ErrorView error={query.error} onRetry={() => void query.refetch()} />;
}

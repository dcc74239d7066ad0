import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const watchingOptions = (assignmentId: string) =>
  queryOptions({
    // Under the sheet's own key: what changes the sheet changes these.
    queryKey: ['sheet', assignmentId, 'watching'],
    queryFn: () => call('readWatching', { params: { assignmentId } }),
    // Answers come in and marks are given all the time.
    staleTime: 0,
  });

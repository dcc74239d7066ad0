import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const stopFiguresOptions = (assignmentId: string) =>
  queryOptions({
    // Under the sheet's own key: what changes the sheet changes these.
    queryKey: ['sheet', assignmentId, 'stops'],
    queryFn: () => call('readStopFigures', { params: { assignmentId } }),
    // Answers come in and marks are given all the time.
    staleTime: 0,
  });

import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const draftOptions = (lessonId: string) =>
  queryOptions({
    queryKey: ['draft', lessonId],
    queryFn: () => call('readDraft', { params: { lessonId } }),
    // The desk holds its own copy while it edits, and asks again when it is opened anew.
    staleTime: 0,
  });

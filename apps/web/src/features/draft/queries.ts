import { queryOptions, useQuery } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const editionOptions = (lessonId: string, editionNumber: number | null) =>
  queryOptions({
    queryKey: ['lessons', lessonId, 'edition', editionNumber],
    queryFn: () =>
      call('readEdition', { params: { lessonId, number: editionNumber === null ? 'newest' : String(editionNumber) } }),
    retry: false,
  });

export const draftOptions = (lessonId: string) =>
  queryOptions({
    queryKey: ['draft', lessonId],
    queryFn: () => call('readDraft', { params: { lessonId } }),
    // The desk holds its own copy while it edits, and asks again when it is opened anew.
    staleTime: 0,
  });

/**
 * The draft as the server has it when a page opens. Whoever holds a copy must not begin from what another page read
 * before: in between it was changed.
 */
export function useDraftOnOpening(lessonId: string) {
  const query = useQuery({ ...draftOptions(lessonId), gcTime: 0, refetchOnWindowFocus: false });
  return query.isFetchedAfterMount ? query : { ...query, data: undefined };
}

import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

/** What a document holds. It never changes: a newer version is another material. */
export const readingOptions = (materialId: string) =>
  queryOptions({
    queryKey: ['reading', materialId],
    queryFn: async () => (await call('readContent', { params: { materialId } })).blocks,
    staleTime: Number.POSITIVE_INFINITY,
  });

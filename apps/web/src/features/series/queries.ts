import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const seriesOptions = (seriesId: string) =>
  queryOptions({
    queryKey: ['series', seriesId],
    queryFn: () => call('readSeries', { params: { seriesId } }),
    refetchInterval: 60_000,
  });

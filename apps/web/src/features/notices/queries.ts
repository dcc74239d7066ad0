import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const noticesOptions = () =>
  queryOptions({
    queryKey: ['notices'],
    queryFn: () => call('listNotices', {}),
    // What time brings comes by no channel.
    refetchInterval: 120_000,
  });

import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const sessionOptions = () =>
  queryOptions({ queryKey: ['session'], queryFn: () => call('readSession', {}), staleTime: Number.POSITIVE_INFINITY });

export const demoPeopleOptions = () =>
  queryOptions({ queryKey: ['demo-people'], queryFn: () => call('listDemoPeople', {}) });

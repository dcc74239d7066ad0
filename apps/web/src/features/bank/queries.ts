import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const bankOptions = () => queryOptions({ queryKey: ['bank'], queryFn: () => call('listBank', {}) });

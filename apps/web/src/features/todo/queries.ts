import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const todoOptions = () => queryOptions({ queryKey: ['todo'], queryFn: () => call('listTodo', {}) });

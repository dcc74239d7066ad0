import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const schoolOptions = () => queryOptions({ queryKey: ['school'], queryFn: () => call('readSchool', {}) });

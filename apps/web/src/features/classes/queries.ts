import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const classesOptions = () => queryOptions({ queryKey: ['classes'], queryFn: () => call('listClasses', {}) });

export const classOptions = (classId: string) =>
  queryOptions({ queryKey: ['classes', classId], queryFn: () => call('readClass', { params: { classId } }) });

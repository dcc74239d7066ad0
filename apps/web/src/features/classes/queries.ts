import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const classesOptions = () => queryOptions({ queryKey: ['classes'], queryFn: () => call('listClasses', {}) });

export const groupsOptions = () =>
  queryOptions({ queryKey: ['classes', 'groups'], queryFn: () => call('listGroups', {}) });

export const classOptions = (classId: string) =>
  queryOptions({ queryKey: ['classes', classId], queryFn: () => call('readClass', { params: { classId } }) });

import type { OutputOf, routes } from '@semita/core/contract';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { codeOf } from '../../api/api-error.ts';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';

export type ClassView = OutputOf<(typeof routes)['readClass']>;
export type ClassStudent = ClassView['students'][number];

export const classesOptions = () => queryOptions({ queryKey: ['classes'], queryFn: () => call('listClasses', {}) });

export const groupsOptions = () =>
  queryOptions({ queryKey: ['classes', 'groups'], queryFn: () => call('listGroups', {}) });

export const classOptions = (classId: string) =>
  queryOptions({ queryKey: ['classes', classId], queryFn: () => call('readClass', { params: { classId } }) });

export const colleaguesOptions = () =>
  queryOptions({ queryKey: ['colleagues'], queryFn: () => call('listColleagues', {}) });

/**
 * Changes something of a class, and shows it, and the list of classes, as they are then; also where somebody else was
 * quicker. What went wrong is told at the edge of the page, but where it is told in its place.
 */
export function useClassChange<Input, Output>(
  change: (input: Input) => Promise<Output>,
  done?: (output: Output, input: Input) => void,
  { isToldInPlace = false } = {},
) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async (output, input) => {
      done?.(output, input);
      await queryClient.invalidateQueries({ queryKey: classesOptions().queryKey });
    },
    onError: async (error) => {
      if (!isToldInPlace) toast.error(errorWords(error));
      if (codeOf(error) === 'rosterMoved') await queryClient.invalidateQueries({ queryKey: classesOptions().queryKey });
    },
  });
}

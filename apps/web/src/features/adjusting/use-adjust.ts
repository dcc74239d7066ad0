import type { BodyOf, routes } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';
import { assignmentsOptions, attemptOptions, sheetOptions } from '../assignment/queries.ts';
import { adjustmentsOptions } from './queries.ts';

export type Adjusting = BodyOf<(typeof routes)['adjust']>;

/** Makes something different for some students, and shows everything that tells of it as it is then. */
export function useAdjust(assignmentId: string, done?: (input: Adjusting) => void) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: (body: Adjusting) => call('adjust', { params: { assignmentId }, body }),
    onSuccess: async (_, input) => {
      done?.(input);
      await Promise.all([
        queryClient.invalidateQueries(sheetOptions(assignmentId)),
        queryClient.invalidateQueries(assignmentsOptions()),
        ...input.studentIds.flatMap((studentId) => [
          queryClient.invalidateQueries(attemptOptions(assignmentId, studentId)),
          queryClient.invalidateQueries(adjustmentsOptions(assignmentId, studentId)),
        ]),
      ]);
    },
    onError: (error) => toast.error(errorWords(error)),
  });
}

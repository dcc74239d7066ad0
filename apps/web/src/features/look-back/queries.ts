import type { LookBack } from '@semita/core/analysis';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';

export const lookBackOptions = (assignmentId: string) =>
  queryOptions({
    queryKey: ['lookBack', assignmentId],
    queryFn: () => call('readLookBack', { params: { assignmentId } }),
    staleTime: 0,
  });

type Sent = Parameters<typeof call<'setLookBack'>>[1]['body'];

/** Shows at once what is chosen, and keeps it; one after the other, so that the last choice is the one that is kept. */
export function useSetLookBack(assignmentId: string) {
  const queryClient = useQueryClient();
  const { queryKey } = lookBackOptions(assignmentId);
  const set = useMutation({
    scope: { id: `lookBack ${assignmentId}` },
    mutationFn: (body: LookBack) => call('setLookBack', { params: { assignmentId }, body: body as Sent }),
    onError: async (error) => {
      toast.error(errorWords(error));
      await queryClient.invalidateQueries({ queryKey });
    },
  });
  return (changed: Partial<LookBack>) => {
    const before = queryClient.getQueryData(queryKey);
    if (!before) return;
    const next = { ...before, ...changed } as typeof before;
    queryClient.setQueryData(queryKey, next);
    set.mutate(next);
  };
}

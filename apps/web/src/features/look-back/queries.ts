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

interface Change {
  readonly before: Sent;
  readonly next: Sent;
}

/** Shows at once what is chosen, and keeps it, one after the other. What could not be kept is not shown as if it were. */
export function useSetLookBack(assignmentId: string) {
  const queryClient = useQueryClient();
  const { queryKey } = lookBackOptions(assignmentId);
  const set = useMutation({
    scope: { id: `lookBack ${assignmentId}` },
    mutationFn: ({ next }: Change) => call('setLookBack', { params: { assignmentId }, body: next }),
    onSuccess: (_, { next }) => queryClient.setQueryData(queryKey, next),
    onError: (error, { before }) => {
      queryClient.setQueryData(queryKey, before);
      toast.error(errorWords(error));
    },
  });
  return (changed: Partial<LookBack>) => {
    const before = queryClient.getQueryData(queryKey);
    if (!before) return;
    const next = { ...before, ...changed } as Sent;
    queryClient.setQueryData(queryKey, next);
    set.mutate({ before, next });
  };
}

import { toLocal } from '@semita/core/calendar';
import type { AssignmentSummary } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';
import { formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { showAnew } from '../assignment/use-end-now.ts';
import './words.ts';

/** More days for everybody an assignment was given to; the dates of before are put back by the word that tells of it. */
export function useExtendAll(assignmentId: string, timeZone: string) {
  const queryClient = useQueryClient();
  const local = (instant: number | null) => (instant === null ? null : toLocal(instant, timeZone));
  const putBack = useMutation({
    mutationFn: async (to: AssignmentSummary['to']) => {
      for (const { id: addresseeId, opensAt, dueAt, closesAt } of to) {
        const window = { opensAt: local(opensAt), dueAt: local(dueAt), closesAt: local(closesAt) };
        await call('changeWindow', { params: { assignmentId }, body: { ...window, addresseeId } });
      }
    },
    onSuccess: () => showAnew(queryClient, assignmentId),
    onError: (error) => toast.error(errorWords(error)),
  });
  return useMutation({
    mutationFn: (days: number) => call('extendAll', { params: { assignmentId }, body: { days } }),
    onSuccess: async ({ before, now }) => {
      const end = now.dueAt ?? now.closesAt;
      toast(t('adjusting.givenAll', { time: end === null ? '' : formatInstant(end, timeZone) }), {
        action: { label: t('adjusting.undo'), onClick: () => putBack.mutate(before) },
      });
      await showAnew(queryClient, assignmentId);
    },
    onError: (error) => toast.error(errorWords(error)),
  });
}

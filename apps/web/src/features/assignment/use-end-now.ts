import { toLocal } from '@semita/core/calendar';
import type { Sheet } from '@semita/core/contract';
import { type QueryClient, useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { assignmentsOptions, sheetOptions } from './queries.ts';
import './words.ts';

/** Everything that shows when an assignment is open. */
export const showAnew = (queryClient: QueryClient, assignmentId: string) =>
  Promise.all([
    queryClient.invalidateQueries(sheetOptions(assignmentId)),
    queryClient.invalidateQueries(assignmentsOptions()),
    queryClient.invalidateQueries({ queryKey: ['classes'] }),
  ]);

const earlier = (date: string | null, now: string): string | null => (date !== null && date < now ? date : null);

/** Ends an assignment now, for all it was given to; it can be undone. */
export function useEndNow({ id: assignmentId, timeZone, to }: Sheet['assignment']) {
  const queryClient = useQueryClient();
  const local = (ms: number | null) => (ms === null ? null : toLocal(ms, timeZone));
  const setWindows = useMutation({
    // Of those it was given to, with the dates as they were when somebody pressed: undoing must not see the new ones.
    mutationFn: async ({ of, ends }: { readonly of: Sheet['assignment']['to']; readonly ends: boolean }) => {
      const now = toLocal(Date.now(), timeZone);
      for (const one of of) {
        const before = { opensAt: local(one.opensAt), dueAt: local(one.dueAt), closesAt: local(one.closesAt) };
        // What is over can neither be due later, nor open later.
        const window = ends ? { opensAt: null, dueAt: earlier(before.dueAt, now), closesAt: now } : before;
        await call('changeWindow', { params: { assignmentId }, body: { ...window, addresseeId: one.id } });
      }
    },
    onSuccess: () => showAnew(queryClient, assignmentId),
    onError: (error) => toast.error(errorWords(error)),
  });
  const endNow = () =>
    setWindows.mutate(
      { of: to, ends: true },
      {
        onSuccess: (_, { of }) =>
          toast(t('sheet.ended'), {
            action: { label: t('app.undo'), onClick: () => setWindows.mutate({ of, ends: false }) },
          }),
      },
    );
  return { endNow, isEnding: setWindows.isPending };
}

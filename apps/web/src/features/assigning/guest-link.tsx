import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { sheetOptions } from '../assignment/queries.ts';
import { OpenLink } from './open-link.tsx';
import './words.ts';

/** A link by which anyone may come, with no more than a name: turned on, off, and renewed. */
export function GuestLink({ assignmentId }: { readonly assignmentId: string }) {
  const queryClient = useQueryClient();
  const options = {
    queryKey: ['guest-link', assignmentId],
    queryFn: () => call('readGuestLink', { params: { assignmentId } }),
  };
  const query = useQuery(options);
  const set = useMutation({
    mutationFn: (body: { isOpen: boolean; isNew: boolean }) => call('setGuestLink', { params: { assignmentId }, body }),
    onSuccess: async (link) => {
      queryClient.setQueryData(options.queryKey, link);
      await queryClient.invalidateQueries(sheetOptions(assignmentId));
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  return (
    <section className="grid gap-3">
      <h2 className="text-18">{t('guests.title')}</h2>
      <p className="text-14 text-quiet">{t('guests.help')}</p>
      <QueryView query={query}>
        {({ token, isOpen }) => (
          <OpenLink
            address={token === null ? null : `${window.location.origin}/open#${token}`}
            isOpen={isOpen}
            isPending={set.isPending}
            words={{ make: t('guests.make'), on: t('guests.on'), off: t('guests.off'), link: t('guests.link') }}
            onSet={set.mutate}
          />
        )}
      </QueryView>
    </section>
  );
}

import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { sheetOptions } from '../assignment/queries.ts';
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
        {({ token, isOpen }) => {
          const address = `${window.location.origin}/open#${token}`;
          if (!isOpen || token === null)
            return (
              <div>
                <Button disabled={set.isPending} onClick={() => set.mutate({ isOpen: true, isNew: false })}>
                  {t(token === null ? 'guests.make' : 'guests.on')}
                </Button>
              </div>
            );
          return (
            <div className="grid gap-3">
              <Field label={t('guests.link')}>
                {(ids) => <TextInput {...ids} readOnly value={address} onFocus={(event) => event.target.select()} />}
              </Field>
              <div className="flex flex-wrap gap-2">
                <Button
                  onClick={() => void navigator.clipboard.writeText(address).then(() => toast(t('guests.copied')))}
                >
                  {t('guests.copy')}
                </Button>
                <Button disabled={set.isPending} onClick={() => set.mutate({ isOpen: false, isNew: false })}>
                  {t('guests.off')}
                </Button>
                <Button look="quiet" disabled={set.isPending} onClick={() => set.mutate({ isOpen: true, isNew: true })}>
                  {t('guests.renew')}
                </Button>
              </div>
            </div>
          );
        }}
      </QueryView>
    </section>
  );
}

import { useMutation, useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { MenuItem } from '../../ui/menu.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

/** Sends what was done to the school's record store, where it has one. What is there already stays as it is. */
export function SendStatements({ assignmentId }: { readonly assignmentId: string }) {
  const store = useQuery({
    queryKey: ['recordStore'],
    queryFn: () => call('readRecordStore', {}),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const send = useMutation({
    mutationFn: () => call('sendStatements', { params: { assignmentId } }),
    onSuccess: ({ sent, conflicting, refused }) => {
      const words = t('sheet.statementsSent', { count: sent });
      if (conflicting + refused === 0) toast(words);
      else toast.error(`${words} ${t('sheet.statementsNotSent', { count: conflicting + refused })}`);
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  const host = store.data?.host;
  if (!host) return null;
  return <MenuItem onSelect={() => send.mutate()}>{t('sheet.sendStatements')}</MenuItem>;
}

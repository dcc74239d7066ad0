import { questionFaults } from '@semita/core/checks';
import type { Question } from '@semita/core/question';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { BookmarkPlus } from 'lucide-react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { bankOptions } from './queries.ts';
import './words.ts';

interface Props {
  readonly question: Question;
  readonly number: number;
  /** Told the item under which it stands in the bank from now on. */
  readonly onKept: (bankItemId: string) => void;
}

/** Puts a question of a lesson into the bank. */
export function KeepInBank({ question, number, onKept }: Props) {
  const queryClient = useQueryClient();
  const keep = useMutation({
    mutationFn: () => call('putIntoBank', { body: { entries: [{ question, tags: [] }] } }),
    onSuccess: async ({ ids }) => {
      if (ids[0]) onKept(ids[0]);
      await queryClient.invalidateQueries(bankOptions());
      toast(t('bank.kept'));
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  if (question.bankItemId !== undefined || questionFaults(question).length > 0) return null;
  return (
    <Button
      look="quiet"
      size="small"
      disabled={keep.isPending}
      onClick={() => keep.mutate()}
      aria-label={t('bank.keep', { number })}
      title={t('bank.keep', { number })}
    >
      <BookmarkPlus aria-hidden className="size-4" strokeWidth={1.75} />
    </Button>
  );
}

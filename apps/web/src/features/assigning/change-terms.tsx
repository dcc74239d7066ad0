import { fixedTerms } from '@semita/core/assignment';
import type { Terms } from '@semita/core/attempt';
import type { Sheet } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { ErrorNotice, errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { sheetOptions } from '../assignment/queries.ts';
import { TermFields } from './term-fields.tsx';
import type { SentTerms } from './term-presets.tsx';
import { termWords } from './term-words.ts';
import './words.ts';

interface Props {
  readonly sheet: Pick<Sheet, 'assignment' | 'terms' | 'mostAttempts'>;
  readonly onClose: () => void;
}

/** Terms are changed after something was given, as far as that moves no ground under who has begun. */
export function ChangeTerms({ sheet: { assignment, terms: before, mostAttempts }, onClose }: Props) {
  const queryClient = useQueryClient();
  const [terms, setTerms] = useState<Terms>(before);
  const { id: assignmentId, begunCount } = assignment;
  const change = useMutation({
    mutationFn: (next: Terms) => call('changeTerms', { params: { assignmentId }, body: { terms: next as SentTerms } }),
    onSuccess: () => queryClient.invalidateQueries(sheetOptions(assignmentId)),
  });
  const save = () =>
    change.mutate(terms, {
      onSuccess: () => {
        onClose();
        toast(t('terms.changed'), {
          action: {
            label: t('app.undo'),
            onClick: () => change.mutate(before, { onError: (error) => toast.error(errorWords(error)) }),
          },
        });
      },
    });
  const was = termWords(before);
  const becomes = termWords(terms);
  const news = becomes.filter((words) => !was.includes(words));
  const gone = was.filter((words) => !becomes.includes(words));
  const isOther = news.length > 0 || gone.length > 0;
  return (
    <Dialog
      open
      place="wide"
      onOpenChange={(open) => !open && onClose()}
      title={t('terms.changeTitle')}
      description={mostAttempts > 0 ? t('terms.changeBegun', { count: begunCount }) : t('terms.changeHelp')}
    >
      <form
        className="grid gap-6"
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <TermFields terms={terms} onChange={setTerms} fixed={fixedAmong(before, mostAttempts)} />
        <div className="sticky -bottom-4 -mx-5 -mb-4 grid gap-3 rounded-b-card border-t border-line bg-card px-5 py-3">
          {change.isError && <ErrorNotice error={change.error} />}
          {isOther && (
            <ul className="grid gap-1 text-14" aria-live="polite">
              {gone.map((words) => (
                <li key={words} className="text-quiet line-through">
                  {words}
                </li>
              ))}
              {news.map((words) => (
                <li key={words}>{words}</li>
              ))}
              {mostAttempts > 0 && <li className="text-quiet">{t('terms.anew')}</li>}
            </ul>
          )}
          <div>
            <Button look="main" size="roomy" type="submit" disabled={change.isPending || !isOther}>
              {t('terms.change')}
            </Button>
          </div>
        </div>
      </form>
    </Dialog>
  );
}

/** What can no longer be set otherwise, asked by setting all of it otherwise. */
function fixedAmong(terms: Terms, mostAttempts: number) {
  const otherwise: Terms = {
    ...terms,
    skipping: !terms.skipping,
    rewindAtStops: !terms.rewindAtStops,
    turningBack: !terms.turningBack,
    questionsWhenReached: !terms.questionsWhenReached,
    attempts: 0,
    late: terms.late?.kind === 'refused' ? undefined : { kind: 'refused' },
    shown: terms.shown ? undefined : { points: 'whenReleased' },
  };
  return fixedTerms(terms, otherwise, mostAttempts);
}

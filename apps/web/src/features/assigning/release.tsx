import type { Sheet } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { sheetOptions } from '../assignment/queries.ts';
import './words.ts';

/** What waits to be shown is shown to all, and can be held back again. */
export function Release({
  sheet: { assignment, releasedAt },
}: {
  readonly sheet: Pick<Sheet, 'assignment' | 'releasedAt'>;
}) {
  const queryClient = useQueryClient();
  const { id: assignmentId, timeZone } = assignment;
  const release = useMutation({
    mutationFn: (isReleased: boolean) => call('releaseResults', { params: { assignmentId }, body: { isReleased } }),
    onSuccess: (_, isReleased) => {
      toast(t(isReleased ? 'terms.released' : 'terms.heldBack'), {
        action: { label: t('app.undo'), onClick: () => release.mutate(!isReleased) },
      });
      return queryClient.invalidateQueries(sheetOptions(assignmentId));
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  return (
    <section className="grid gap-3">
      <h2 className="text-18">{t('terms.releaseTitle')}</h2>
      <p className="text-14 text-quiet">
        {releasedAt === null
          ? t('terms.releaseHelp')
          : t('terms.releasedAt', { time: formatInstant(releasedAt, timeZone) })}
      </p>
      <div>
        <Button
          look={releasedAt === null ? 'main' : 'plain'}
          disabled={release.isPending}
          onClick={() => release.mutate(releasedAt === null)}
        >
          {t(releasedAt === null ? 'terms.release' : 'terms.holdBack')}
        </Button>
      </div>
    </section>
  );
}

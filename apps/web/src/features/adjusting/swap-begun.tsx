import type { SwapLine } from '@semita/core/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { ErrorNotice, errorWords } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { attemptOptions, sheetOptions } from '../assignment/queries.ts';
import './words.ts';

interface Props {
  readonly assignmentId: string;
  readonly editionNumber: number;
  readonly onClose: () => void;
}

/** Who has begun goes on in a corrected edition: what that carries over and loses is said first, student by student. */
export function SwapBegun({ assignmentId, editionNumber, onClose }: Props) {
  const plan = useQuery({
    queryKey: ['swap', assignmentId, editionNumber],
    queryFn: () => call('planSwap', { params: { assignmentId }, body: { editionNumber } }),
    gcTime: 0,
  });
  return (
    <Dialog
      open
      place="wide"
      keepsAtOnce
      onOpenChange={(open) => !open && onClose()}
      title={t('adjusting.swapTitle', { number: editionNumber })}
      description={t('adjusting.swapHelp')}
    >
      <QueryView query={plan}>
        {(lines) => <Lines lines={lines} {...{ assignmentId, editionNumber, onClose }} />}
      </QueryView>
    </Dialog>
  );
}

function Lines({ lines, assignmentId, editionNumber, onClose }: Props & { readonly lines: readonly SwapLine[] }) {
  const queryClient = useQueryClient();
  // Nobody loses anything unasked.
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    () => new Set(lines.filter((line) => !loses(line)).map(({ studentId }) => studentId)),
  );
  const showAnew = (studentIds: readonly string[]) =>
    Promise.all([
      queryClient.invalidateQueries(sheetOptions(assignmentId)),
      ...studentIds.map((studentId) => queryClient.invalidateQueries(attemptOptions(assignmentId, studentId))),
    ]);
  const takeBack = useMutation({
    mutationFn: async (before: readonly { studentId: string; editionNumber: number }[]) => {
      for (const number of new Set(before.map((one) => one.editionNumber))) {
        const studentIds = before.filter((one) => one.editionNumber === number).map(({ studentId }) => studentId);
        await call('swapEdition', { params: { assignmentId }, body: { editionNumber: number, studentIds } });
      }
    },
    onSuccess: (_, before) => showAnew(before.map(({ studentId }) => studentId)),
    onError: (error) => toast.error(errorWords(error)),
  });
  const swap = useMutation({
    mutationFn: () =>
      call('swapEdition', { params: { assignmentId }, body: { editionNumber, studentIds: [...chosen] } }),
    onSuccess: async (before) => {
      onClose();
      toast(t('adjusting.swapped', { count: before.length, number: editionNumber }), {
        action: { label: t('adjusting.undo'), onClick: () => takeBack.mutate(before) },
      });
      await showAnew(before.map(({ studentId }) => studentId));
    },
  });
  const toggle = (studentId: string) => {
    const next = new Set(chosen);
    if (!next.delete(studentId)) next.add(studentId);
    setChosen(next);
  };
  return (
    <div className="grid gap-4">
      <ul className="divide-y divide-line rounded-card border border-line">
        {lines.map((line) => (
          <li key={line.studentId} className="grid gap-1 px-4 py-2">
            <div className="flex flex-wrap items-center gap-x-4">
              <div className="grow">
                <CheckInput checked={chosen.has(line.studentId)} onChange={() => toggle(line.studentId)}>
                  <span className="font-medium">{line.displayName}</span>
                </CheckInput>
              </div>
              <span className="text-14 text-quiet">
                {t('adjusting.carried', { count: line.carried })}, {pointWords(line)}
              </span>
            </div>
            {loses(line) && (
              <ul className="ml-8 list-disc pl-4 text-14 text-brick">
                {line.wasHandedIn && !line.isHandedIn && <li>{t('adjusting.notHandedIn')}</li>}
                {line.lost.map((stem, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: two questions may ask the same
                  <li key={index}>{t('adjusting.lost', { question: stem.slice(0, 120) })}</li>
                ))}
              </ul>
            )}
          </li>
        ))}
      </ul>
      {swap.isError && <ErrorNotice error={swap.error} />}
      <div>
        <Button look="main" size="roomy" disabled={swap.isPending || chosen.size === 0} onClick={() => swap.mutate()}>
          {t('adjusting.swapBegun', { number: editionNumber, count: chosen.size })}
        </Button>
      </div>
    </div>
  );
}

const loses = ({ lost, wasHandedIn, isHandedIn }: SwapLine): boolean => lost.length > 0 || (wasHandedIn && !isHandedIn);

function pointWords({ before, after }: SwapLine): string {
  const words = (of: SwapLine['before']) =>
    t('stop.points', { earned: formatPoints(of.earned), possible: formatPoints(of.possible) });
  return before.earned === after.earned && before.possible === after.possible
    ? words(before)
    : t('adjusting.pointsMove', { before: words(before), after: words(after) });
}

import type { Sheet } from '@semita/core/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { SwapBegun } from './swap-begun.tsx';
import { useAdjust } from './use-adjust.ts';
import './words.ts';

interface Props {
  readonly sheet: Sheet;
  readonly newer: NonNullable<Sheet['newer']>;
}

/** The lesson has been corrected since: whoever has not begun can have it as it is now, and nobody loses anything. */
export function NewerEdition({ sheet, newer }: Props) {
  const { editionNumber, studentIds, begunCount } = newer;
  const [isSwapping, setIsSwapping] = useState(false);
  const undo = useAdjust(sheet.assignment.id);
  const swap = useAdjust(sheet.assignment.id, (input) =>
    toast(t('adjusting.swapped', { count: input.studentIds.length, number: editionNumber }), {
      action: {
        label: t('adjusting.undo'),
        onClick: () =>
          undo.mutate({
            studentIds: input.studentIds,
            change: { kind: 'editionSwapped', editionNumber: sheet.editionNumber },
          }),
      },
    }),
  );
  const names = sheet.students.filter((one) => studentIds.includes(one.studentId)).map((one) => one.displayName);
  return (
    <Notice title={t('adjusting.newer', { number: editionNumber, had: sheet.editionNumber })}>
      {studentIds.length > 0 && (
        <details>
          <summary className="cursor-pointer">{t('adjusting.newerFor', { count: studentIds.length })}</summary>
          <p className="mt-1 text-quiet">{names.join(', ')}</p>
        </details>
      )}
      <div className="flex flex-wrap gap-2">
        {studentIds.length > 0 && (
          <Button
            size="small"
            disabled={swap.isPending}
            onClick={() =>
              swap.mutate({ studentIds: [...studentIds], change: { kind: 'editionSwapped', editionNumber } })
            }
          >
            {t('adjusting.swap', { number: editionNumber, count: studentIds.length })}
          </Button>
        )}
        {begunCount > 0 && sheet.runs && (
          <Button size="small" onClick={() => setIsSwapping(true)}>
            {t('adjusting.alsoBegun', { count: begunCount })}
          </Button>
        )}
      </div>
      {isSwapping && (
        <SwapBegun
          assignmentId={sheet.assignment.id}
          editionNumber={editionNumber}
          onClose={() => setIsSwapping(false)}
        />
      )}
    </Notice>
  );
}

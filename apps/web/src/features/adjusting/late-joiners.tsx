import type { Sheet } from '@semita/core/contract';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { useAdjust } from './use-adjust.ts';
import './words.ts';

/** Who came to the class after the due date gets one that can be met, in one press. */
export function LateJoiners({ sheet }: { readonly sheet: Sheet }) {
  const late = sheet.students.filter((one) => one.cameTooLate);
  const studentIds = late.map(({ studentId }) => studentId);
  const undo = useAdjust(sheet.assignment.id);
  const give = useAdjust(sheet.assignment.id, () =>
    toast(t('adjusting.lateGiven', { count: late.length }), {
      action: {
        label: t('adjusting.undo'),
        onClick: () => undo.mutate({ studentIds, change: { kind: 'datesTakenBack' } }),
      },
    }),
  );
  if (late.length === 0) return null;
  return (
    <Notice title={t('adjusting.lateTitle', { count: late.length })}>
      <p className="text-quiet">{late.map(({ displayName }) => displayName).join(', ')}</p>
      <div>
        <Button
          size="small"
          disabled={give.isPending}
          onClick={() => give.mutate({ studentIds, change: { kind: 'extendedBy', days: 7 } })}
        >
          {t('adjusting.lateGive')}
        </Button>
      </div>
    </Notice>
  );
}

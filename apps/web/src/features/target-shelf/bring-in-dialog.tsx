import { mostTargetsAtOnce } from '@semita/core/contract';
import type { ReadTargets } from '@semita/core/target';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Dialog, DialogClose } from '../../ui/dialog.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { useBringIn } from '../targets/queries.ts';
import './words.ts';

interface Props {
  readonly name: string;
  readonly read: ReadTargets;
  readonly onClose: () => void;
}

const mostShown = 200;
const mostFaults = 8;

/** What a file holds, before anything of it is taken. */
export function BringInDialog({ name, read: { targets, faults }, onClose }: Props) {
  const isTooLong = targets.length > mostTargetsAtOnce;
  const take = useBringIn((taken) => {
    toast(t('targets.taken', taken));
    onClose();
  });
  return (
    <Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t('targets.plan', { count: targets.length, name })}
    >
      <div className="grid gap-4">
        {isTooLong && <Notice tone="danger">{t('targets.tooMany', { most: mostTargetsAtOnce })}</Notice>}
        {faults.length > 0 && (
          <Notice tone="attention" title={t('targets.faults', { count: faults.length })}>
            <ul className="list-disc pl-5">
              {faults.slice(0, mostFaults).map(({ row, fault }) => (
                <li key={row}>{t('targets.faultAt', { row, fault: t(`targets.fault.${fault}`) })}</li>
              ))}
            </ul>
            {faults.length > mostFaults && <p>{t('targets.more', { count: faults.length - mostFaults })}</p>}
          </Notice>
        )}
        <ul className="max-h-72 divide-y divide-line overflow-y-auto rounded-card border border-line text-14">
          {targets.slice(0, mostShown).map(({ code, words }) => (
            <li key={code} className="flex gap-3 px-3 py-1.5">
              <span className="w-20 shrink-0 font-mono text-13 [overflow-wrap:anywhere]">{code}</span>
              <span className="min-w-0 [overflow-wrap:anywhere]">{words}</span>
            </li>
          ))}
          {targets.length > mostShown && (
            <li className="px-3 py-1.5 text-quiet">{t('targets.more', { count: targets.length - mostShown })}</li>
          )}
        </ul>
        <div className="flex justify-end gap-2">
          <DialogClose>{t('targets.cancel')}</DialogClose>
          <Button look="main" disabled={isTooLong || take.isPending} onClick={() => take.mutate(targets)}>
            {t('targets.take', { count: targets.length })}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}

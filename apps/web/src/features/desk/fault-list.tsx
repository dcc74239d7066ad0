import type { Fault } from '@semita/core';
import { ArrowRight } from 'lucide-react';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';

/** What is missing before an edition can be made; each line leads to the place that mends it. */
export function FaultList({
  faults,
  onGo,
}: {
  readonly faults: readonly Fault[];
  readonly onGo: (fault: Fault) => void;
}) {
  if (faults.length === 0) return null;
  return (
    <div className="max-h-52 overflow-y-auto p-3">
      <Notice tone="attention" role="alert" title={t('desk.faultsTitle', { count: faults.length })}>
        <ul className="grid gap-0.5">
          {faults.map((fault) => (
            <li key={JSON.stringify(fault)}>
              <button type="button" onClick={() => onGo(fault)} className="flex min-h-6 items-center gap-1.5 underline">
                {t(`fault.${fault.code}`)}
                <ArrowRight aria-hidden className="size-4" strokeWidth={1.75} />
              </button>
            </li>
          ))}
        </ul>
      </Notice>
    </div>
  );
}

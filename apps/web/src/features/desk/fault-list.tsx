import type { Fault } from '@semita/core/checks';
import type { Lesson } from '@semita/core/lesson';
import { ArrowRight } from 'lucide-react';
import { Notice } from '../../ui/notice.tsx';
import { formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import './words.ts';
import '../lesson-parts/words.ts';

/** What is missing before an edition can be made; each line leads to the place that mends it. */
export function FaultList({
  lesson,
  faults,
  onGo,
}: {
  readonly lesson: Lesson;
  readonly faults: readonly Fault[];
  readonly onGo: (fault: Fault) => void;
}) {
  if (faults.length === 0) return null;
  const placeOf = (fault: Fault): string | undefined => {
    const part = lesson.parts.find((one) => one.id === fault.partId);
    const stop = part?.stops.find((one) => one.id === fault.stopId);
    return part && stop && formatPosition(part.kind, stop);
  };
  return (
    <div className="max-h-52 overflow-y-auto p-3">
      <Notice tone="attention" role="alert" title={t('desk.faultsTitle', { count: faults.length })}>
        <ul className="grid gap-0.5">
          {faults.map((fault) => {
            const place = placeOf(fault);
            return (
              <li key={JSON.stringify(fault)}>
                <button type="button" onClick={() => onGo(fault)} className="flex min-h-6 items-center gap-1.5">
                  {place && <span className="w-14 text-left font-mono text-13">{place}</span>}
                  <span className="underline">{t(`fault.${fault.code}`)}</span>
                  <ArrowRight aria-hidden className="size-4" strokeWidth={1.75} />
                </button>
              </li>
            );
          })}
        </ul>
      </Notice>
    </div>
  );
}

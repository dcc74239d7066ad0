import { partStateOf, stopMarkOf } from '@semita/core';
import { StateMark } from '../../ui/state-mark.tsx';
import { t } from '../../words/words.ts';
import type { WalkSnapshot } from './walk-session.ts';

/** The way through the lesson: parts as segments to scale, stops as marks in their state. */
export function PathStrip({ snapshot: { lesson, state } }: { readonly snapshot: WalkSnapshot }) {
  return (
    <section aria-label={t('walk.strip')} className="flex h-7 items-stretch gap-1">
      {lesson.parts.map((part) => {
        const lengthMs = Math.max(1, part.outMs - part.inMs);
        const share = (ms: number) => `${(100 * (ms - part.inMs)) / lengthMs}%`;
        return (
          <div key={part.id} className="relative min-w-10" style={{ flexGrow: lengthMs }}>
            <div className="absolute inset-x-0 top-1/2 h-1.5 -translate-y-1/2 overflow-hidden rounded-full bg-line">
              <div className="h-full bg-main/45" style={{ width: share(partStateOf(state, part).furthestMs) }} />
            </div>
            {part.stops.map((stop) => (
              <span
                key={stop.id}
                className="absolute top-1/2 grid size-6 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full bg-card"
                style={{ left: share(stop.atMs) }}
              >
                <StateMark mark={stopMarkOf(stop, state.stops[stop.id])} of={t(`stop.${stop.kind}`)} />
              </span>
            ))}
          </div>
        );
      })}
    </section>
  );
}

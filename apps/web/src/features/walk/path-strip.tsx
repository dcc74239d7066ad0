import { hasLength, isSettled, type LearnerPart, lessonLengths, partStateOf, stopMarkOf } from '@semita/core';
import { StateMark } from '../../ui/state-mark.tsx';
import { t } from '../../words/words.ts';
import type { WalkSnapshot } from './walk-session.ts';

/** The way through the lesson: parts as segments to scale, stops as marks in their state. */
export function PathStrip({ snapshot }: { readonly snapshot: WalkSnapshot }) {
  const { lesson, state, ahead } = snapshot;
  // What was come to, in its order, and what is certain ahead; nothing of ways that may never be taken.
  const been = (state.route?.legs ?? []).map(({ partId }) => partId);
  const ids = [...new Set([...been, ...ahead.partIds])];
  const parts = ids.flatMap((id) => lesson.parts.find((part) => part.id === id) ?? []);
  return (
    <section aria-label={t('walk.strip')} className="flex h-7 items-stretch gap-1">
      {parts.map((part) => {
        const { lengthMs, doneShare, shareOf } = measureOf(part, state);
        return (
          <div key={part.id} className="relative min-w-10" style={{ flexGrow: lengthMs }}>
            <div className="absolute inset-x-0 top-1/2 h-1.5 -translate-y-1/2 overflow-hidden rounded-full bg-line">
              <div className="h-full bg-main/45" style={{ width: percent(doneShare) }} />
            </div>
            {part.stops.map((stop, index) => (
              <span
                key={stop.id}
                className="absolute top-1/2 grid size-6 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full bg-card"
                style={{ left: percent(shareOf(stop.atMs, index)) }}
              >
                <StateMark mark={stopMarkOf(stop, state.stops[stop.id])} of={t(`stop.${stop.kind}`)} />
              </span>
            ))}
          </div>
        );
      })}
      {ahead.isOpen && (
        <div title={t('walk.aheadOpen')} className="flex w-16 items-center">
          <span className="h-0 w-full border-t-4 border-dotted border-edge" />
          <span className="sr-only">{t('walk.aheadOpen')}</span>
        </div>
      )}
    </section>
  );
}

const percent = (share: number) => `${100 * share}%`;

/** A place with next to nothing to answer is still to be seen. */
const leastPlaceMs = 30_000;

/** A material lies along its time; what is one place along its stops, one like the other. */
function measureOf(part: LearnerPart, state: WalkSnapshot['state']) {
  const { stops, inMs, outMs } = part;
  if (!hasLength(part))
    return {
      lengthMs: Math.max(leastPlaceMs, lessonLengths([part]).answeringMs),
      doneShare: stops.filter(({ id }) => isSettled(state, id)).length / Math.max(1, stops.length),
      shareOf: (_: number, index: number) => (index + 0.5) / stops.length,
    };
  const lengthMs = Math.max(1, outMs - inMs);
  const shareOf = (ms: number) => (ms - inMs) / lengthMs;
  return { lengthMs, doneShare: shareOf(partStateOf(state, part).furthestMs), shareOf };
}

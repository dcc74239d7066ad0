import type { LearnerPart } from '@semita/core/learner';
import { hasLength, lessonLengths } from '@semita/core/lesson';
import { stopMarkOf } from '@semita/core/sheet';
import { isMaterialLocked, isPartOpen, isSettled, partStateOf } from '@semita/core/walk';
import { useEffect, useRef } from 'react';
import { StateMark } from '../../ui/state-mark.tsx';
import { t } from '../../words/words.ts';
import type { WalkSession, WalkSnapshot } from './walk-session.ts';
import './words.ts';

interface Props {
  readonly session: WalkSession;
  readonly snapshot: WalkSnapshot;
  /** The part that is shown. */
  readonly partId: string | undefined;
  readonly onGo: (partId: string) => void;
}

/**
 * The way through the lesson: parts as segments to scale, stops as marks in their state. Each part that is open can be
 * gone to, so that what was met can be looked at again.
 */
export function PathStrip({ session, snapshot, partId, onGo }: Props) {
  const { lesson, state, ahead } = snapshot;
  const shown = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only another part lies elsewhere
  useEffect(() => void shown.current?.scrollIntoView({ block: 'nearest', inline: 'center' }), [partId]);
  const isHeld = isMaterialLocked(session.context, state);
  // What was come to, in its order, and what is certain ahead; nothing of ways that may never be taken.
  const been = (state.route?.legs ?? []).map(({ partId }) => partId);
  const ids = [...new Set([...been, ...ahead.partIds])];
  const parts = ids.flatMap((id) => lesson.parts.find((part) => part.id === id) ?? []);
  return (
    <section
      aria-label={t('walk.strip')}
      // More than lie on a small screen side by side: it scrolls, by keys as well.
      {...(parts.length > 6 ? { tabIndex: 0 } : {})}
      className="-mx-3 flex h-11 items-stretch gap-1 overflow-x-auto px-3 [scrollbar-width:none] sm:h-8"
    >
      {parts.map((part) => {
        const { lengthMs, doneShare, shareOf } = measureOf(part, state);
        const isShown = part.id === partId;
        const mayGo = parts.length > 1 && !isShown && !isHeld && isPartOpen(session.context, state, part.id);
        return (
          <div
            key={part.id}
            {...(isShown ? { ref: shown } : {})}
            className="relative min-w-11 shrink-0"
            style={{ flexGrow: lengthMs }}
          >
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
            {mayGo && (
              <button
                type="button"
                title={part.title}
                aria-label={t('walk.goTo', { title: part.title })}
                onClick={() => onGo(part.id)}
                className="absolute inset-0 rounded-control hover:bg-main/10"
              />
            )}
            {isShown && parts.length > 1 && (
              <div className="absolute inset-x-1 bottom-0 h-1 rounded-full bg-main">
                <span className="sr-only">{t('walk.youAreHere', { title: part.title })}</span>
              </div>
            )}
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
const minPlaceMs = 30_000;

/** A material lies along its time; what is one place along its stops, one like the other. */
function measureOf(part: LearnerPart, state: WalkSnapshot['state']) {
  const { stops, inMs, outMs } = part;
  if (!hasLength(part))
    return {
      lengthMs: Math.max(minPlaceMs, lessonLengths([part]).answeringMs),
      doneShare: stops.filter(({ id }) => isSettled(state, id)).length / Math.max(1, stops.length),
      shareOf: (_: number, index: number) => (index + 0.5) / stops.length,
    };
  const lengthMs = Math.max(1, outMs - inMs);
  const shareOf = (ms: number) => (ms - inMs) / lengthMs;
  return { lengthMs, doneShare: shareOf(partStateOf(state, part).furthestMs), shareOf };
}

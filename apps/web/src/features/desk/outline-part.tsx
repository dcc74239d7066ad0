import { useSortable } from '@dnd-kit/react/sortable';
import type { BreakPoint } from '@semita/core/breaks';
import { firstWords, hasLength, lessonLengths, type Part, stopsInOrder } from '@semita/core/lesson';
import { GripVertical, Lightbulb } from 'lucide-react';
import { memo } from 'react';
import { useFocusTarget } from '../../ui/focus-target.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatClock, formatMinutes } from '../../words/format.ts';
import { formatLengths, formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { PartIcon } from '../lesson-parts/part-icon.tsx';
import { stopLooks } from '../lesson-parts/stop-looks.ts';
import '../path/words.ts';
import './words.ts';
import '../bank/words.ts';

interface Props {
  readonly part: Part;
  /** Where it shows another lesson, the parts of that. */
  readonly inside: readonly Part[] | undefined;
  readonly index: number;
  readonly isChosen: boolean;
  /** Students take it in an order of their own. */
  readonly isFree: boolean;
  readonly openStopId: string | null;
  /** Places to stop that were suggested for it. */
  readonly breaks: readonly BreakPoint[] | null;
  readonly actions: {
    readonly choose: (partId: string) => void;
    readonly chooseStop: (partId: string, stopId: string) => void;
    readonly move: (partId: string, index: number) => void;
  };
}

/** Part heights follow their length, within what can still be read. */
const pxPerMinute = 22;
/** A stretch longer than this without a stop is worth a word. Common practice, no source. */
const longStretchMs = 6 * 60_000;

/** A part of the outline: dragged by its handle, or moved by Alt and the arrow keys. Drawn anew only when it changes. */
export const OutlinePart = memo(function OutlinePart(props: Props) {
  const { part, inside, index, isChosen, isFree, openStopId, breaks, actions } = props;
  const { ref, handleRef, isDragging } = useSortable({ id: part.id, index });
  const lengths = lessonLengths(inside ?? [part]);
  const isLong = hasLength(part);
  const lengthMs = isLong ? part.outMs - part.inMs : lengths.filmMs + lengths.readingMs + lengths.answeringMs;
  const stops = stopsInOrder(part.stops);
  const stretchMs = isLong ? longestStretchMs(part, stops) : 0;
  const notes = [formatLengths(lengths), part.practice && t('part.practice'), isFree && t('path.anyOrder')];
  return (
    <li
      ref={ref}
      className={joinClasses(
        'rounded-control border bg-card',
        isChosen ? 'border-main' : 'border-line',
        isDragging && 'shadow-float',
      )}
    >
      <div className="flex items-start">
        <button
          ref={handleRef}
          type="button"
          tabIndex={-1}
          aria-label={t('desk.movePart', { title: part.title })}
          title={t('desk.movePartHelp')}
          className="cursor-grab touch-none pt-2.5 pl-1 text-quiet"
        >
          <GripVertical aria-hidden className="size-4" strokeWidth={1.75} />
        </button>
        <button
          ref={useFocusTarget(`outline:${part.id}`)}
          type="button"
          onClick={() => actions.choose(part.id)}
          onKeyDown={(event) => {
            if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
            event.preventDefault();
            actions.move(part.id, event.key === 'ArrowUp' ? index - 1 : index + 1);
          }}
          className="flex w-full min-w-0 items-start gap-2 px-1 pt-2 pr-3 text-left"
        >
          <PartIcon kind={part.kind} className="mt-1" />
          <span className="min-w-0">
            <span className="block text-14 font-medium break-words">{part.title}</span>
            <span className="block text-13 text-quiet">{notes.filter(Boolean).join(' · ')}</span>
          </span>
        </button>
      </div>
      <ol
        className="relative my-2 ml-4 border-l-2 border-line"
        style={{ minHeight: (lengthMs / 60_000) * pxPerMinute }}
      >
        {stops.map((stop) => {
          const { Icon, notch } = stopLooks[stop.kind];
          return (
            <li key={stop.id}>
              <button
                type="button"
                aria-current={stop.id === openStopId ? 'true' : undefined}
                onClick={() => actions.chooseStop(part.id, stop.id)}
                className={joinClasses(
                  '-ml-px flex w-full items-center gap-1.5 border-l-4 py-1 pr-2 pl-2 text-left text-13 hover:bg-main-tint',
                  notch,
                  stop.id === openStopId && 'bg-main-tint',
                )}
              >
                <Icon aria-hidden className="size-3.5 shrink-0 text-quiet" strokeWidth={1.75} />
                <span className="shrink-0 font-mono">{formatPosition(part.kind, stop)}</span>
                <span className="truncate text-quiet">{firstWords(stop) || t('desk.empty')}</span>
              </button>
            </li>
          );
        })}
      </ol>
      {breaks && breaks.length > 0 && (
        <ul className="mb-2 ml-4 border-l-2 border-dashed border-edge">
          {breaks.map((one) => (
            <li key={one.gap} className="flex items-center gap-1.5 py-0.5 pl-2 text-13 text-quiet">
              <Lightbulb aria-hidden className="size-3.5 text-marigold-ink" strokeWidth={1.75} />
              <span className="font-mono">
                {formatPosition(part.kind, { atMs: one.atMs, anchor: { blockId: null, number: one.gap } })}
              </span>
            </li>
          ))}
        </ul>
      )}
      {stretchMs > longStretchMs && (
        <p className="px-3 pb-2 text-13 text-marigold-ink">
          {t('desk.longStretch', {
            length: part.kind === 'clip' ? formatClock(stretchMs) : formatMinutes(stretchMs),
          })}
        </p>
      )}
    </li>
  );
});

function longestStretchMs({ inMs, outMs }: Part, stops: readonly { readonly atMs: number }[]): number {
  const times = stops.map(({ atMs }) => atMs).filter((ms) => ms > inMs && ms < outMs);
  const marks = [inMs, ...times, outMs];
  return Math.max(...marks.slice(1).map((ms, index) => ms - (marks[index] as number)));
}

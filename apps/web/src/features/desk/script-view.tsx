import { DragDropProvider, PointerSensor, useDroppable } from '@dnd-kit/react';
import {
  cueWords,
  type Fault,
  gapOf,
  gapTimeMs,
  type Part,
  type ScriptLine,
  type Stop,
  stopsInOrder,
} from '@semita/core';
import { DoorClosed, Pause } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { StopCard } from './stop-card.tsx';

export interface ScriptActions {
  readonly insert: (kind: Stop['kind'], gap: number) => void;
  readonly move: (stop: Stop, gap: number) => void;
  readonly change: (stop: Stop) => void;
  readonly remove: (stop: Stop) => void;
  readonly setOpenStop: (stopId: string | null) => void;
  readonly setCursor: (line: number) => void;
}

interface Props {
  readonly clip: Part;
  readonly lines: readonly ScriptLine[];
  readonly faults: readonly Fault[];
  readonly openStopId: string | null;
  /** The line of the cursor; -1 before the first. */
  readonly cursor: number;
  readonly actions: ScriptActions;
}

/** The script: what is said, line by line, and between the lines the stops. Works by keys alone. */
export function ScriptView({ clip, lines, faults, openStopId, cursor, actions }: Props) {
  const root = useRef<HTMLDivElement>(null);
  const stops = stopsInOrder(clip.stops);
  const stopsAt = (gap: number) => stops.filter((stop) => gapOf(lines, stop.atMs) === gap);
  const isOutside = (ms: number) => ms < clip.inMs || ms > clip.outMs;

  // The line of the cursor stays in view while the film plays.
  useEffect(() => {
    const line = root.current?.querySelector(`[data-item="line:${cursor}"]`);
    if (!root.current?.contains(document.activeElement)) line?.scrollIntoView({ block: 'nearest' });
  }, [cursor]);

  const focusItem = (step: 1 | -1, from: Element) => {
    const items = [...(root.current?.querySelectorAll<HTMLElement>('[data-item]') ?? [])];
    items[items.indexOf(from as HTMLElement) + step]?.focus();
  };

  const onKeyDown = (event: React.KeyboardEvent) => {
    const target = event.target as HTMLElement;
    if (event.key === 'Escape' && openStopId) {
      root.current?.querySelector<HTMLElement>(`[data-item="stop:${openStopId}"]`)?.focus();
      actions.setOpenStop(null);
      return;
    }
    const item = target.dataset.item;
    if (!item || event.ctrlKey || event.metaKey) return;
    const stop = stops.find((one) => item === `stop:${one.id}`);
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0 && event.altKey && stop) {
      const gap = gapOf(lines, stop.atMs) + step;
      if (gap >= 0 && gap <= lines.length) actions.move(stop, gap);
    } else if (step !== 0) focusItem(step, target);
    else if (event.key === 'c') actions.insert('checkpoint', cursor + 1);
    else if (event.key === 'p') actions.insert('pause', cursor + 1);
    else if (event.key === 'Delete' && stop) actions.remove(stop);
    else return;
    event.preventDefault();
  };

  const renderStops = (gap: number) =>
    stopsAt(gap).map((stop) => (
      <StopCard
        key={stop.id}
        stop={stop}
        isOpen={stop.id === openStopId}
        isFaulty={faults.some((fault) => fault.stopId === stop.id)}
        isOutside={isOutside(stop.atMs)}
        tabIndex={0}
        onToggle={() => actions.setOpenStop(stop.id === openStopId ? null : stop.id)}
        onFocus={() => actions.setCursor(gap - 1)}
        onChange={actions.change}
        onRemove={() => actions.remove(stop)}
      />
    ));

  return (
    <DragDropProvider
      sensors={[PointerSensor]}
      onDragEnd={({ canceled, operation }) => {
        const stop = stops.find((one) => one.id === operation.source?.id);
        const target = operation.target?.id;
        if (!canceled && stop && typeof target === 'string') actions.move(stop, Number(target.slice('gap:'.length)));
      }}
    >
      {/* biome-ignore lint/a11y/noStaticElementInteractions: the keys of the script work on whatever in it has the focus */}
      <div ref={root} onKeyDown={onKeyDown} className="px-4 pb-3">
        <div className="sticky top-0 z-10 -mx-4 mb-2 flex flex-wrap items-center gap-2 border-b border-line bg-card px-4 py-2">
          <span className="grow text-14 text-quiet">
            {t('desk.addAt', { time: formatClock(gapTimeMs(lines, cursor + 1)) })}
          </span>
          <Button size="small" onClick={() => actions.insert('checkpoint', cursor + 1)}>
            <DoorClosed aria-hidden className="size-4 text-main" strokeWidth={1.75} />
            {t('desk.addCheckpoint')}
          </Button>
          <Button size="small" onClick={() => actions.insert('pause', cursor + 1)}>
            <Pause aria-hidden className="size-4 text-slate" strokeWidth={1.75} />
            {t('desk.addPause')}
          </Button>
        </div>
        {lines.every((line) => line.text === null) && <p className="mb-3 text-14 text-quiet">{t('desk.noScript')}</p>}
        <Gap gap={0}>{renderStops(0)}</Gap>
        {lines.map((line, index) => (
          <Gap key={line.id} gap={index + 1}>
            <button
              type="button"
              data-item={`line:${index}`}
              tabIndex={index === Math.max(0, cursor) ? 0 : -1}
              aria-current={index === cursor ? 'true' : undefined}
              onClick={() => actions.setCursor(index)}
              onFocus={() => actions.setCursor(index)}
              className={joinClasses(
                'grid w-full scroll-mt-14 grid-cols-[4rem_1fr] rounded-control py-1 pr-2 text-left',
                index === cursor ? 'bg-main-tint' : 'hover:bg-main-tint/60',
              )}
            >
              <span className="pt-0.5 pl-2 font-mono text-13 text-quiet">{formatClock(line.startMs)}</span>
              <span className={joinClasses(isOutside(line.startMs) && 'text-quiet line-through decoration-line')}>
                {line.text === null ? '·' : cueWords(line.text)}
              </span>
            </button>
            {renderStops(index + 1)}
          </Gap>
        ))}
      </div>
    </DragDropProvider>
  );
}

/** A line with the gap under it: a stop that is dropped here stands in that gap. */
function Gap({ gap, children }: { readonly gap: number; readonly children: ReactNode }) {
  const { ref, isDropTarget } = useDroppable({ id: `gap:${gap}` });
  return (
    <div ref={ref} className={joinClasses('min-h-1 border-b-2', isDropTarget ? 'border-main' : 'border-transparent')}>
      {children}
    </div>
  );
}

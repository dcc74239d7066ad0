import { DragDropProvider, PointerSensor } from '@dnd-kit/react';
import type { BreakPoint } from '@semita/core/breaks';
import type { Fault } from '@semita/core/checks';
import type { Slide } from '@semita/core/deck';
import { type MaterialPart, stopsInOrder } from '@semita/core/lesson';
import { gapOf, gapTimeMs, type ScriptLine } from '@semita/core/script';
import { DoorClosed, Pause, Scissors, Split } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { focusTarget } from '../../ui/focus-target.ts';
import { useStable } from '../../ui/use-stable.ts';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import type { LineSurvey } from '../film-survey/line-survey.tsx';
import { InsetMenu } from './inset-menu.tsx';
import type { ScriptActions } from './script-actions.ts';
import { chunkLength, ScriptChunk } from './script-chunk.tsx';
import { rowsOf } from './script-rows.ts';
import { SuggestStops } from './suggest-stops.tsx';
import './words.ts';

interface Props {
  readonly part: MaterialPart;
  readonly lines: readonly ScriptLine[];
  readonly faults: readonly Fault[];
  readonly openStopId: string | null;
  /** Places to stop that were suggested; null when nobody asked. */
  readonly breaks: readonly BreakPoint[] | null;
  /** The line of the cursor; -1 before the first. */
  readonly cursor: number;
  readonly actions: ScriptActions;
  /** Of a film without captions: what is seen and heard in each line. */
  readonly surveys?: readonly LineSurvey[] | undefined;
  /** Of a deck, its slides, one for each line. */
  readonly slides?: readonly Slide[] | undefined;
}

/** The script: what is said, line by line, and between the lines the stops. Works by keys alone. */
export function ScriptView({ part, lines, faults, openStopId, breaks, cursor, actions, surveys, slides }: Props) {
  const root = useRef<HTMLDivElement>(null);
  const stops = stopsInOrder(part.stops);
  const rows = useMemo(() => rowsOf(part, lines, breaks), [part, lines, breaks]);
  const openGap = rows.findIndex((row) => row.stops.some(({ stop }) => stop.id === openStopId));
  const chunkStarts = Array.from({ length: Math.ceil(rows.length / chunkLength) }, (_, index) => index * chunkLength);
  const splitMs = gapTimeMs(lines, cursor + 1);
  const canSplit = splitMs > part.inMs && splitMs < part.outMs;
  const stable = useStable(actions);
  const [dropGap, setDropGap] = useState<number | null>(null);

  // The line of the cursor stays in view while the film plays.
  useEffect(() => {
    const line = focusTarget(`line:${cursor}`);
    if (!root.current?.contains(document.activeElement)) line?.scrollIntoView({ block: 'nearest' });
  }, [cursor]);

  const focusItem = (step: 1 | -1, from: Element) => {
    const items = [...(root.current?.querySelectorAll<HTMLElement>('[data-item]') ?? [])];
    items[items.indexOf(from as HTMLElement) + step]?.focus();
  };

  const onKeyDown = (event: React.KeyboardEvent) => {
    const target = event.target as HTMLElement;
    if (event.key === 'Escape' && openStopId) {
      focusTarget(`stop:${openStopId}`)?.focus();
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
    else if (event.key === 'f') actions.insert('fork', cursor + 1);
    else if (event.key === 'Delete' && stop) actions.remove(stop);
    else return;
    event.preventDefault();
  };

  return (
    <DragDropProvider
      sensors={[PointerSensor]}
      onDragMove={({ operation }) => setDropGap(gapUnder(operation.position.current))}
      onDragEnd={({ canceled, operation }) => {
        const stop = stops.find((one) => one.id === operation.source?.id);
        if (!canceled && stop && dropGap !== null) actions.move(stop, dropGap);
        setDropGap(null);
      }}
    >
      {/* biome-ignore lint/a11y/noStaticElementInteractions: the keys of the script work on whatever in it has the focus */}
      <div ref={root} onKeyDown={onKeyDown} className="px-4 pb-3">
        <div className="sticky top-0 z-10 -mx-4 mb-2 flex flex-wrap items-center gap-2 border-b border-line bg-card px-4 py-2">
          <span className="grow text-14 text-quiet">{gapWords(part, lines, cursor + 1)}</span>
          <Button size="small" onClick={() => actions.insert('checkpoint', cursor + 1)}>
            <DoorClosed aria-hidden className="size-4 text-main" strokeWidth={1.75} />
            {t('desk.addCheckpoint')}
          </Button>
          <Button size="small" onClick={() => actions.insert('pause', cursor + 1)}>
            <Pause aria-hidden className="size-4 text-slate" strokeWidth={1.75} />
            {t('desk.addPause')}
          </Button>
          <Button size="small" onClick={() => actions.insert('fork', cursor + 1)}>
            <Split aria-hidden className="size-4 text-marigold-ink" strokeWidth={1.75} />
            {t('desk.addFork')}
          </Button>
          <SuggestStops
            part={part}
            lines={lines}
            breaks={breaks}
            onFound={actions.setBreaks}
            onTakeAll={() => actions.takeBreaks(breaks ?? [])}
          />
          <Button size="small" look="quiet" disabled={!canSplit} onClick={() => actions.split(cursor + 1)}>
            <Scissors aria-hidden className="size-4" strokeWidth={1.75} />
            {t('desk.splitHere')}
          </Button>
          {part.kind === 'reading' && <InsetMenu onChoose={(material) => actions.insertInset(material, cursor + 1)} />}
        </div>
        {lines.every((line) => line.text === null) && part.kind === 'clip' && (
          <p className="mb-3 text-14 text-quiet">{t('desk.noScript')}</p>
        )}
        {chunkStarts.map((from) => {
          const isIn = (gap: number) => gap >= from && gap < from + chunkLength;
          return (
            <ScriptChunk
              key={from}
              {...{ from, rows, lines, surveys, slides, faults }}
              openStopId={isIn(openGap) ? openStopId : null}
              kind={part.kind}
              currentGap={isIn(cursor + 1) ? cursor + 1 : null}
              reachableGap={isIn(Math.max(0, cursor) + 1) ? Math.max(0, cursor) + 1 : null}
              dropGap={dropGap !== null && isIn(dropGap) ? dropGap : null}
              actions={stable}
            />
          );
        })}
      </div>
    </DragDropProvider>
  );
}

/** Where something that is put in now would stand. */
function gapWords(part: MaterialPart, lines: readonly ScriptLine[], gap: number): string {
  if (part.kind === 'clip') return t('desk.addAt', { time: formatClock(gapTimeMs(lines, gap)) });
  if (gap === 0) return t('desk.addFirst');
  return t(part.kind === 'deck' ? 'desk.addBehindSlide' : 'desk.addBehind', { number: gap });
}

/** The gap under a point of the page. A place that is asked for only while something is dragged need not be kept. */
function gapUnder({ x, y }: { readonly x: number; readonly y: number }): number | null {
  for (const element of document.elementsFromPoint(x, y)) {
    const gap = element.closest<HTMLElement>('[data-gap]')?.dataset.gap;
    if (gap !== undefined) return Number(gap);
  }
  return null;
}

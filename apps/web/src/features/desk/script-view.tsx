import { DragDropProvider, PointerSensor, useDroppable } from '@dnd-kit/react';
import {
  type BreakPoint,
  clearTopicShift,
  cueWords,
  type Fault,
  gapOf,
  gapTimeMs,
  type Inset,
  type Part,
  type ScriptLine,
  type Stop,
  stopsInOrder,
} from '@semita/core';
import { DoorClosed, Lightbulb, Pause, Scissors } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatClock } from '../../words/format.ts';
import { formatPlace } from '../../words/place.ts';
import { t } from '../../words/words.ts';
import { InsetLine, InsetMenu } from './inset-menu.tsx';
import { StopCard } from './stop-card.tsx';
import { SuggestStops } from './suggest-stops.tsx';

export interface ScriptActions {
  readonly insert: (kind: Stop['kind'], gap: number) => void;
  readonly move: (stop: Stop, gap: number) => void;
  /** @returns whether the words stand in the stop's paragraph */
  readonly setPhrase: (stop: Stop, phrase: string) => boolean;
  readonly change: (stop: Stop) => void;
  readonly remove: (stop: Stop) => void;
  /** Cuts the part in two at a gap. */
  readonly split: (gap: number) => void;
  readonly setBreaks: (breaks: readonly BreakPoint[] | null) => void;
  readonly takeBreaks: (breaks: readonly BreakPoint[]) => void;
  /** Puts a film or a sound into a text, or takes it out. */
  readonly insertInset: (material: { readonly id: string; readonly title: string }, gap: number) => void;
  readonly removeInset: (inset: Inset) => void;
  readonly setOpenStop: (stopId: string | null) => void;
  readonly setCursor: (line: number) => void;
}

interface Props {
  readonly part: Part;
  readonly lines: readonly ScriptLine[];
  readonly faults: readonly Fault[];
  readonly openStopId: string | null;
  /** Places to stop that were suggested; null when nobody asked. */
  readonly breaks: readonly BreakPoint[] | null;
  /** The line of the cursor; -1 before the first. */
  readonly cursor: number;
  readonly actions: ScriptActions;
}

/** The script: what is said, line by line, and between the lines the stops. Works by keys alone. */
export function ScriptView({ part, lines, faults, openStopId, breaks, cursor, actions }: Props) {
  const root = useRef<HTMLDivElement>(null);
  const stops = stopsInOrder(part.stops);
  const stopsAt = (gap: number) => stops.filter((stop) => gapOf(lines, stop.atMs) === gap);
  const splitMs = gapTimeMs(lines, cursor + 1);
  const canSplit = splitMs > part.inMs && splitMs < part.outMs;
  const isOutside = (ms: number) => ms < part.inMs || ms > part.outMs;

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
        place={formatPlace(part.kind, stop)}
        isOpen={stop.id === openStopId}
        isFaulty={faults.some((fault) => fault.stopId === stop.id)}
        isOutside={isOutside(stop.atMs)}
        tabIndex={0}
        onToggle={() => actions.setOpenStop(stop.id === openStopId ? null : stop.id)}
        onFocus={() => actions.setCursor(gap - 1)}
        onChange={actions.change}
        onPhrase={
          part.kind === 'reading' && stop.anchor?.blockId ? (phrase) => actions.setPhrase(stop, phrase) : undefined
        }
        onRemove={() => actions.remove(stop)}
      />
    ));

  const insetsAt = (gap: number) =>
    (part.insets ?? [])
      .filter((inset) => gapOf(lines, inset.atMs) === gap)
      .map((inset) => <InsetLine key={inset.id} inset={inset} onRemove={() => actions.removeInset(inset)} />);

  /** The rule where the part's window begins or ends; none at the ends of the material. */
  const edgeAt = (gap: number) => {
    const isIn = part.inMs > 0 && gapOf(lines, part.inMs) === gap;
    const isOut = part.outMs < (lines.at(-1)?.endMs ?? 0) && gapOf(lines, part.outMs) === gap;
    return (
      <>
        {isOut && <Edge words={t('desk.endsHere', { title: part.title })} />}
        {isIn && <Edge words={t('desk.beginsHere', { title: part.title })} />}
      </>
    );
  };

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
          <span className="grow text-14 text-quiet">{gapWords(part, lines, cursor + 1)}</span>
          <Button size="small" onClick={() => actions.insert('checkpoint', cursor + 1)}>
            <DoorClosed aria-hidden className="size-4 text-main" strokeWidth={1.75} />
            {t('desk.addCheckpoint')}
          </Button>
          <Button size="small" onClick={() => actions.insert('pause', cursor + 1)}>
            <Pause aria-hidden className="size-4 text-slate" strokeWidth={1.75} />
            {t('desk.addPause')}
          </Button>
          <Button size="small" look="quiet" disabled={!canSplit} onClick={() => actions.split(cursor + 1)}>
            <Scissors aria-hidden className="size-4" strokeWidth={1.75} />
            {t('desk.splitHere')}
          </Button>
          {part.kind === 'reading' && <InsetMenu onChoose={(material) => actions.insertInset(material, cursor + 1)} />}
          <SuggestStops
            part={part}
            lines={lines}
            breaks={breaks}
            onFound={actions.setBreaks}
            onTakeAll={() => actions.takeBreaks(breaks ?? [])}
          />
        </div>
        {lines.every((line) => line.text === null) && part.kind === 'clip' && (
          <p className="mb-3 text-14 text-quiet">{t('desk.noScript')}</p>
        )}
        <Gap gap={0}>
          {edgeAt(0)}
          {renderStops(0)}
          {insetsAt(0)}
        </Gap>
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
              <span className="pt-0.5 pl-2 font-mono text-13 text-quiet">
                {part.kind === 'clip' ? formatClock(line.startMs) : index + 1}
              </span>
              <LineWords line={line} isOutside={isOutside(line.startMs)} />
            </button>
            {renderStops(index + 1)}
            {breaks
              ?.filter((one) => one.gap === index + 1)
              .map((one) => (
                <Suggestion
                  key={one.gap}
                  place={one}
                  onTake={() => actions.takeBreaks([one])}
                  onDrop={() => actions.setBreaks(breaks.filter((other) => other !== one))}
                />
              ))}
            {insetsAt(index + 1)}
            {edgeAt(index + 1)}
          </Gap>
        ))}
      </div>
    </DragDropProvider>
  );
}

interface SuggestionProps {
  readonly place: BreakPoint;
  readonly onTake: () => void;
  readonly onDrop: () => void;
}

/** A place to stop that was found, and why it is one. */
function Suggestion({ place, onTake, onDrop }: SuggestionProps) {
  const reasons = [
    place.sentenceEnds && t('breaks.sentence'),
    place.silenceMs >= 300 && t('breaks.silence', { seconds: (place.silenceMs / 1000).toFixed(1) }),
    place.topicShift >= clearTopicShift && t('breaks.topic'),
  ].filter((reason) => reason !== false);
  return (
    <div className="my-1 flex flex-wrap items-center gap-2 rounded-control border border-dashed border-edge px-3 py-1.5 text-14">
      <Lightbulb aria-hidden className="size-4 text-marigold-ink" strokeWidth={1.75} />
      <span className="grow">{t('breaks.suggestion', { why: reasons.join(', ') || t('breaks.even') })}</span>
      <Button size="small" onClick={onTake}>
        {t('breaks.take')}
      </Button>
      <Button size="small" look="quiet" onClick={onDrop}>
        {t('breaks.drop')}
      </Button>
    </div>
  );
}

/** A line across the script between what belongs to a part and what does not. */
function Edge({ words }: { readonly words: string }) {
  return (
    <p className="my-2 flex items-center gap-3 text-13 font-medium text-main before:h-0.5 before:grow before:bg-main after:h-0.5 after:grow after:bg-main">
      {words}
    </p>
  );
}

/** Where something that is put in now would stand. */
function gapWords(part: Part, lines: readonly ScriptLine[], gap: number): string {
  if (part.kind === 'clip') return t('desk.addAt', { time: formatClock(gapTimeMs(lines, gap)) });
  if (gap === 0) return t('desk.addFirst');
  return t(part.kind === 'deck' ? 'desk.addBehindSlide' : 'desk.addBehind', { number: gap });
}

function LineWords({ line, isOutside }: { readonly line: ScriptLine; readonly isOutside: boolean }) {
  const isPicture = line.tone === 'picture';
  const words = line.text === null ? '·' : line.tone ? line.text : cueWords(line.text);
  // Of a slide, its title and then all else.
  const [first = '', ...rest] = words.split('\n');
  return (
    <span
      className={joinClasses(
        isOutside && 'text-quiet line-through decoration-line',
        line.tone === 'heading' && 'font-heading font-semibold',
        isPicture && 'text-quiet italic',
      )}
    >
      {rest.length > 0 && <strong className="font-semibold">{first} </strong>}
      {isPicture && words === '' ? t('desk.pictureMute') : rest.length > 0 ? rest.join(' · ') : words}
    </span>
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

import {
  type BreakPoint,
  firstWords,
  type Lesson,
  type LessonChange,
  lessonLengths,
  type Part,
  type PartKind,
  stopsInOrder,
  taskWindow,
} from '@semita/core';
import type { Material } from '@semita/core/contract';
import { BookOpen, Film, Lightbulb, ListChecks, Plus, Presentation } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { v7 } from 'uuid';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatClock, formatMinutes } from '../../words/format.ts';
import { formatLengths, formatPlace } from '../../words/place.ts';
import { t } from '../../words/words.ts';
import { RecordingField } from '../voice/recording-field.tsx';
import { stopLooks } from './stop-looks.ts';

/** Loaded when a part is added. */
const AddParts = lazy(async () => ({ default: (await import('./add-parts.tsx')).AddParts }));

interface Props {
  readonly lesson: Lesson;
  readonly partId: string | null;
  readonly openStopId: string | null;
  /** Places to stop that were suggested for a part. */
  readonly breaks: { readonly partId: string; readonly places: readonly BreakPoint[] } | null;
  readonly materials: readonly Material[];
  readonly onChoosePart: (partId: string) => void;
  readonly onChooseStop: (partId: string, stopId: string) => void;
  readonly onAddParts: (parts: readonly Part[]) => void;
  readonly apply: (change: LessonChange) => boolean;
}

/** Part heights follow their length, within what can still be read. */
const pxPerMinute = 22;
/** A stretch longer than this without a stop is worth a word. Common practice, no source. */
const longStretchMs = 6 * 60_000;

/** The lesson at a glance: parts as blocks whose height follows their length, stops as notches where they stand. */
export function Outline({
  lesson,
  partId,
  openStopId,
  breaks,
  materials,
  onChoosePart,
  onChooseStop,
  onAddParts,
  apply,
}: Props) {
  const [isAdding, setIsAdding] = useState(false);
  return (
    <nav aria-label={t('desk.outline')} className="flex flex-col gap-3 p-3">
      <RecordingField
        label={t('voice.ofLesson')}
        help={t('voice.directionsHelp')}
        title={t('voice.ofLessonTitle')}
        recording={lesson.directions}
        onChange={(directions) => apply({ type: 'setDirections', partId: null, directions })}
      />
      {lesson.parts.map((part) => {
        const lengths = lessonLengths([part]);
        const lengthMs = part.kind === 'task' ? lengths.answeringMs : part.outMs - part.inMs;
        const stops = stopsInOrder(part.stops);
        const stretchMs = longestStretchMs(
          part.inMs,
          part.outMs,
          stops.map((stop) => stop.atMs),
        );
        return (
          <div
            key={part.id}
            className={joinClasses(
              'rounded-control border bg-card',
              part.id === partId ? 'border-main' : 'border-line',
            )}
          >
            <button
              type="button"
              onClick={() => onChoosePart(part.id)}
              className="flex w-full items-start gap-2 px-3 pt-2 text-left"
            >
              <PartIcon kind={part.kind} />
              <span className="min-w-0">
                <span className="block text-14 font-medium break-words">{part.title}</span>
                <span className="block text-13 text-quiet">
                  {formatLengths(lengths)}
                  {part.practice && ` · ${t('part.practice')}`}
                </span>
              </span>
            </button>
            <ol
              className="relative my-2 ml-4 border-l-2 border-line"
              style={{ minHeight: (lengthMs / 60_000) * pxPerMinute }}
            >
              {stops.map((stop) => {
                const { Icon, notch } = stopLooks[stop.kind];
                const words = firstWords(stop);
                return (
                  <li key={stop.id}>
                    <button
                      type="button"
                      aria-current={stop.id === openStopId ? 'true' : undefined}
                      onClick={() => onChooseStop(part.id, stop.id)}
                      className={joinClasses(
                        '-ml-px flex w-full items-center gap-1.5 border-l-4 py-1 pr-2 pl-2 text-left text-13 hover:bg-main-tint',
                        notch,
                        stop.id === openStopId && 'bg-main-tint',
                      )}
                    >
                      <Icon aria-hidden className="size-3.5 shrink-0 text-quiet" strokeWidth={1.75} />
                      <span className="shrink-0 font-mono">{formatPlace(part.kind, stop)}</span>
                      <span className="truncate text-quiet">{words || t('desk.empty')}</span>
                    </button>
                  </li>
                );
              })}
            </ol>
            {breaks?.partId === part.id && breaks.places.length > 0 && (
              <ul className="mb-2 ml-4 border-l-2 border-dashed border-edge">
                {breaks.places.map((one) => (
                  <li key={one.gap} className="flex items-center gap-1.5 py-0.5 pl-2 text-13 text-quiet">
                    <Lightbulb aria-hidden className="size-3.5 text-marigold-ink" strokeWidth={1.75} />
                    <span className="font-mono">
                      {formatPlace(part.kind, { atMs: one.atMs, anchor: { blockId: null, number: one.gap } })}
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
          </div>
        );
      })}
      <Button size="small" onClick={() => setIsAdding(true)}>
        <Plus aria-hidden className="size-4" strokeWidth={1.75} />
        {t('desk.addPart')}
      </Button>
      <Button
        size="small"
        onClick={() => onAddParts([{ id: v7(), kind: 'task', title: t('desk.newTask'), ...taskWindow, stops: [] }])}
      >
        <ListChecks aria-hidden className="size-4" strokeWidth={1.75} />
        {t('desk.addTask')}
      </Button>
      {isAdding && (
        <Suspense>
          <AddParts
            lesson={lesson}
            materials={materials}
            onAdd={(parts) => {
              setIsAdding(false);
              onAddParts(parts);
            }}
            onClose={() => setIsAdding(false)}
          />
        </Suspense>
      )}
    </nav>
  );
}

const partIcons = { clip: Film, reading: BookOpen, deck: Presentation, task: ListChecks };

function PartIcon({ kind }: { readonly kind: PartKind }) {
  const Icon = partIcons[kind];
  return <Icon aria-hidden className="mt-1 size-4 shrink-0 text-slate" strokeWidth={1.75} />;
}

function longestStretchMs(inMs: number, outMs: number, stopTimes: readonly number[]): number {
  const marks = [inMs, ...stopTimes.filter((ms) => ms > inMs && ms < outMs), outMs];
  return Math.max(...marks.slice(1).map((ms, index) => ms - (marks[index] as number)));
}

import { DragDropProvider, PointerSensor } from '@dnd-kit/react';
import type { Fault } from '@semita/core/checks';
import type { LessonChange, Stop, UntimedPartOf } from '@semita/core/lesson';
import { DoorClosed, Pause, Split } from 'lucide-react';
import { useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { focusOn, focusTarget, writeIn } from '../../ui/focus-target.ts';
import { t } from '../../words/words.ts';
import { createCheckpoint, createFork, createPause } from '../lesson-parts/new-stops.ts';
import { partFigures } from '../lesson-parts/part-figures.ts';
import { PartTitleField } from '../lesson-parts/part-title-field.tsx';
import { writingIn } from '../lesson-parts/writing-in.ts';
import { PartSettings } from '../path/part-settings.tsx';
import { StopCard } from '../script/stop-card.tsx';
import '../board/words.ts';
import '../script/words.ts';
import './words.ts';

interface Props {
  readonly part: UntimedPartOf<'task'>;
  readonly faults: readonly Fault[];
  readonly openStopId: string | null;
  readonly setOpenStop: (stopId: string | null) => void;
  readonly apply: (change: LessonChange) => boolean;
}

/** A part of only questions: its stops one under the other, and beside them what it comes to. */
export function TaskDesk(props: Props) {
  return (
    <>
      <section aria-label={t('desk.script')} className="min-h-0 overflow-y-auto bg-card">
        <TaskScript {...props} />
      </section>
      <section aria-label={t('desk.details')} className="grid min-h-0 content-start gap-5 overflow-y-auto p-4">
        <TaskDetails {...props} />
      </section>
    </>
  );
}

function TaskScript({ part, faults, openStopId, setOpenStop, apply }: Props) {
  const adder = useRef<HTMLButtonElement>(null);
  const [reachable, setReachable] = useState<string | null>(null);
  const { stops } = part;
  const reachableId = stops.some(({ id }) => id === reachable) ? reachable : stops[0]?.id;
  const add = (stop: Stop) => {
    if (!apply({ type: 'insertStop', partId: part.id, stop })) return;
    setOpenStop(stop.id);
    writeIn(writingIn(stop));
  };
  const moveTo = (stop: Stop, index: number) => {
    const others = stops.filter((one) => one !== stop).map(({ id }) => id);
    const stopIds = others.toSpliced(index, 0, stop.id);
    apply({ type: 'orderStops', partId: part.id, stopIds });
    focusOn(`stop:${stop.id}`);
  };
  const remove = (stop: Stop) => {
    apply({ type: 'removeStop', partId: part.id, stopId: stop.id });
    setOpenStop(null);
    adder.current?.focus();
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    const item = (event.target as HTMLElement).dataset.item;
    if (event.key === 'Escape' && openStopId) {
      focusTarget(`stop:${openStopId}`)?.focus();
      setOpenStop(null);
      return;
    }
    const index = stops.findIndex(({ id }) => item === `stop:${id}`);
    const stop = stops[index];
    if (!stop || event.ctrlKey || event.metaKey) return;
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    const neighbour = stops[index + step];
    if (step !== 0 && neighbour && event.altKey) moveTo(stop, index + step);
    else if (step !== 0 && neighbour) focusTarget(`stop:${neighbour.id}`)?.focus();
    else if (event.key === 'Delete') remove(stop);
    else return;
    event.preventDefault();
  };
  return (
    <DragDropProvider
      sensors={[PointerSensor]}
      onDragEnd={({ canceled, operation }) => {
        const stop = stops.find(({ id }) => id === operation.source?.id);
        const { x, y } = operation.position.current;
        const onto = document
          .elementsFromPoint(x, y)
          .find((one) => one.closest(`[data-task-stop]:not([data-task-stop="${stop?.id}"])`));
        const ontoId = onto?.closest<HTMLElement>('[data-task-stop]')?.dataset.taskStop;
        const index = stops.findIndex(({ id }) => id === ontoId);
        if (!canceled && stop && index >= 0) moveTo(stop, index);
      }}
    >
      {/* biome-ignore lint/a11y/noStaticElementInteractions: the keys of the list work on whatever in it has the focus */}
      <div onKeyDown={onKeyDown} className="px-4 pb-3">
        <div className="sticky top-0 z-10 -mx-4 mb-2 flex flex-wrap items-center gap-2 border-b border-line bg-card px-4 py-2">
          <span className="grow text-14 text-quiet">{t('desk.taskHelp')}</span>
          <Button ref={adder} size="small" onClick={() => add(createCheckpoint({ atMs: part.inMs }))}>
            <DoorClosed aria-hidden className="size-4 text-main" strokeWidth={1.75} />
            {t('desk.addQuestions')}
          </Button>
          <Button size="small" onClick={() => add(createPause({ atMs: part.inMs }))}>
            <Pause aria-hidden className="size-4 text-slate" strokeWidth={1.75} />
            {t('desk.addNote')}
          </Button>
          <Button size="small" onClick={() => add(createFork({ atMs: part.inMs }))}>
            <Split aria-hidden className="size-4 text-marigold-ink" strokeWidth={1.75} />
            {t('desk.addFork')}
          </Button>
        </div>
        {stops.length === 0 && <p className="py-8 text-center text-quiet">{t('desk.taskEmpty')}</p>}
        {stops.map((stop, index) => (
          <div key={stop.id} data-task-stop={stop.id}>
            <StopCard
              stop={stop}
              place={String(index + 1)}
              isOpen={stop.id === openStopId}
              isFaulty={faults.some((fault) => fault.stopId === stop.id)}
              isOutside={false}
              tabIndex={stop.id === reachableId ? 0 : -1}
              onToggle={() => setOpenStop(stop.id === openStopId ? null : stop.id)}
              onFocus={() => setReachable(stop.id)}
              onChange={(next) => apply({ type: 'replaceStop', partId: part.id, stop: next })}
              onRemove={() => remove(stop)}
            />
          </div>
        ))}
      </div>
    </DragDropProvider>
  );
}

function TaskDetails({ part, apply }: Props) {
  return (
    <>
      <PartTitleField label={t('desk.taskTitle')} part={part} apply={apply} />
      <p className="text-14">{partFigures(part)}</p>
      <PartSettings part={part} apply={apply} />
      <div>
        <Button size="small" look="danger" onClick={() => apply({ type: 'removePart', partId: part.id })}>
          {t('desk.removeTask')}
        </Button>
      </div>
    </>
  );
}

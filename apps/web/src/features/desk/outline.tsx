import { move } from '@dnd-kit/helpers';
import { DragDropProvider, PointerSensor } from '@dnd-kit/react';
import type { BreakPoint } from '@semita/core/breaks';
import type { Material } from '@semita/core/contract';
import { type Lesson, type LessonChange, type Part, untimedWindow } from '@semita/core/lesson';
import { BookCopy, Layers, LayoutGrid, ListChecks, Plus } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { v7 } from 'uuid';
import { Button } from '../../ui/button.tsx';
import { focusOn } from '../../ui/focus-target.ts';
import { useStable } from '../../ui/use-stable.ts';
import { t } from '../../words/words.ts';
import { createBoard, createBundle } from '../lesson-parts/new-stops.ts';
import { shownBy } from '../lesson-parts/part-figures.ts';
import { RecordingField } from '../voice/recording-field.tsx';
import { OutlinePart } from './outline-part.tsx';
import './words.ts';
import '../voice/words.ts';

/** Loaded when a part is added. */
const AddLesson = lazy(async () => ({ default: (await import('./add-lesson.tsx')).AddLesson }));
const AddParts = lazy(async () => ({ default: (await import('./add-parts.tsx')).AddParts }));

interface Props {
  readonly lessonId: string;
  readonly lesson: Lesson;
  /** With other lessons that it shows in their places. */
  readonly whole: Lesson;
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

/** The lesson at a glance: parts as blocks whose height follows their length, stops as notches where they stand. */
export function Outline({
  lessonId,
  lesson,
  whole,
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
  const [isAddingLesson, setIsAddingLesson] = useState(false);
  const movePart = (id: string, index: number) => apply({ type: 'movePart', partId: id, index });
  const actions = useStable({
    choose: onChoosePart,
    chooseStop: onChooseStop,
    move: (id: string, to: number) => {
      if (to < 0 || to >= lesson.parts.length) return;
      movePart(id, to);
      focusOn(`outline:${id}`);
    },
  });
  return (
    <nav aria-label={t('desk.outline')} className="flex flex-col gap-3 p-3">
      <RecordingField
        label={t('voice.ofLesson')}
        help={t('voice.directionsHelp')}
        title={t('voice.ofLessonTitle')}
        recording={lesson.directions}
        onChange={(directions) => apply({ type: 'setDirections', partId: null, directions })}
      />
      <DragDropProvider
        sensors={[PointerSensor]}
        onDragEnd={(event) => {
          if (event.canceled) return;
          const before = lesson.parts.map(({ id }) => id);
          const after = move(before, event);
          const moved = event.operation.source?.id as string | undefined;
          if (moved && after.indexOf(moved) !== before.indexOf(moved)) movePart(moved, after.indexOf(moved));
        }}
      >
        <ol className="grid grid-cols-[minmax(0,1fr)] gap-3">
          {lesson.parts.map((part, index) => (
            <OutlinePart
              key={part.id}
              {...{ part, index, actions }}
              inside={part.kind === 'lesson' ? shownBy(part, whole) : undefined}
              openStopId={part.stops.some(({ id }) => id === openStopId) ? openStopId : null}
              isChosen={part.id === partId}
              isFree={lesson.freeFrom !== undefined && index >= lesson.freeFrom}
              breaks={breaks?.partId === part.id ? breaks.places : null}
            />
          ))}
        </ol>
      </DragDropProvider>
      <Button size="small" onClick={() => setIsAdding(true)}>
        <Plus aria-hidden className="size-4" strokeWidth={1.75} />
        {t('desk.addPart')}
      </Button>
      <Button
        size="small"
        look="quiet"
        className="justify-start"
        onClick={() => onAddParts([{ id: v7(), kind: 'task', title: t('desk.newTask'), ...untimedWindow, stops: [] }])}
      >
        <ListChecks aria-hidden className="size-4" strokeWidth={1.75} />
        {t('desk.addTask')}
      </Button>
      <Button
        size="small"
        look="quiet"
        className="justify-start"
        onClick={() =>
          onAddParts([{ id: v7(), kind: 'board', title: t('desk.newBoard'), ...untimedWindow, stops: [createBoard()] }])
        }
      >
        <LayoutGrid aria-hidden className="size-4" strokeWidth={1.75} />
        {t('desk.addBoard')}
      </Button>
      <Button
        size="small"
        look="quiet"
        className="justify-start"
        title={t('bundle.help')}
        onClick={() => onAddParts(createBundle())}
      >
        <Layers aria-hidden className="size-4" strokeWidth={1.75} />
        {t('bundle.add')}
      </Button>
      <Button size="small" look="quiet" className="justify-start" onClick={() => setIsAddingLesson(true)}>
        <BookCopy aria-hidden className="size-4" strokeWidth={1.75} />
        {t('desk.addLesson')}
      </Button>
      {isAddingLesson && (
        <Suspense>
          <AddLesson
            lessonId={lessonId}
            onAdd={(part) => {
              setIsAddingLesson(false);
              onAddParts([part]);
            }}
            onClose={() => setIsAddingLesson(false)}
          />
        </Suspense>
      )}
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

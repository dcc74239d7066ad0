import type { BreakPoint } from '@semita/core/breaks';
import type { Fault } from '@semita/core/checks';
import type { Material } from '@semita/core/contract';
import type { Lesson, LessonChange, Part } from '@semita/core/lesson';
import { lazy, type ReactNode, type RefObject, Suspense, useState } from 'react';
import { t } from '../../words/words.ts';
import type { FilmControls } from '../film/film-stage.tsx';
import { PartDesk } from './part-desk.tsx';

/** Each loaded when there is such a part. */
const LessonDesk = lazy(async () => ({ default: (await import('./lesson-desk.tsx')).LessonDesk }));
const TaskDesk = lazy(async () => ({ default: (await import('./task-desk.tsx')).TaskDesk }));
const BoardDesk = lazy(async () => ({ default: (await import('../board/board-desk.tsx')).BoardDesk }));
const ClipDetails = lazy(async () => ({ default: (await import('../part-details/clip-details.tsx')).ClipDetails }));
const ReadingDetails = lazy(async () => ({
  default: (await import('../part-details/reading-details.tsx')).ReadingDetails,
}));

interface Props {
  readonly lessonId: string;
  readonly lesson: Lesson;
  readonly lessonNow: () => Lesson;
  readonly part: Part;
  /** What the part shows, once it is known. */
  readonly material: Material | undefined;
  readonly faults: readonly Fault[];
  readonly openStopId: string | null;
  readonly setOpenStop: (stopId: string | null) => void;
  readonly onGoToStop: (partId: string, stopId: string) => void;
  readonly apply: (change: LessonChange) => boolean;
  readonly setWindow: (inMs: number, outMs: number) => boolean;
  readonly breaks: readonly BreakPoint[] | null;
  readonly setBreaks: (places: readonly BreakPoint[] | null) => void;
  readonly film: RefObject<FilmControls | null>;
  /** Where it cannot be told yet what the part shows. */
  readonly fallback: ReactNode;
}

/** The part that is worked on, each kind with what it needs. */
export function PartAtDesk(props: Props) {
  const { lessonId, lesson, lessonNow, part, material, faults, openStopId, setOpenStop, onGoToStop, apply } = props;
  const { setWindow, breaks, setBreaks, film, fallback } = props;
  const [isCorrecting, setIsCorrecting] = useState(false);
  const loading = <p className="p-4 text-quiet">{t('app.loading')}</p>;
  if (part.kind === 'board')
    return (
      <Suspense fallback={loading}>
        <BoardDesk key={part.id} {...{ part, faults, apply }} />
      </Suspense>
    );
  if (part.kind === 'lesson')
    return (
      <Suspense fallback={loading}>
        <LessonDesk key={part.id} {...{ part, apply }} />
      </Suspense>
    );
  if (part.kind === 'task')
    return (
      <Suspense fallback={loading}>
        <TaskDesk key={part.id} {...{ part, faults, openStopId, apply, setOpenStop }} />
      </Suspense>
    );
  if (!material) return fallback;
  return (
    <PartDesk
      key={part.id}
      {...{ lesson, part, faults, openStopId, setOpenStop, apply, breaks, setBreaks, film }}
      lengthMs={material.lengthMs ?? part.outMs}
      correcting={isCorrecting ? () => setIsCorrecting(false) : null}
    >
      <Suspense>
        {part.kind === 'clip' ? (
          <ClipDetails
            {...{ material, lessonId, apply, setWindow, film }}
            clip={part}
            onCorrect={() => setIsCorrecting(true)}
          />
        ) : (
          <ReadingDetails
            {...{ lessonNow, part, lessonId, material, apply }}
            onGoToStop={(stopId) => onGoToStop(part.id, stopId)}
          />
        )}
      </Suspense>
    </PartDesk>
  );
}

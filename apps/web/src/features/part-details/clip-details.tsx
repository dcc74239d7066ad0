import type { Material } from '@semita/core/contract';
import type { LessonChange, MaterialPart } from '@semita/core/lesson';
import type { RefObject } from 'react';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { CaptionsPanel } from '../captions/captions-panel.tsx';
import type { FilmControls } from '../film/film-stage.tsx';
import { PartTitleField } from '../lesson-parts/part-title-field.tsx';
import { TimeField } from '../lesson-parts/time-field.tsx';
import { PartSettings } from '../path/part-settings.tsx';
import { Narrations } from './narrations.tsx';
import './words.ts';

interface Props {
  readonly clip: MaterialPart;
  readonly material: Material | undefined;
  readonly lessonId: string;
  readonly apply: (change: LessonChange) => boolean;
  /** Says why when it cannot be done. */
  readonly setWindow: (inMs: number, outMs: number) => boolean;
  readonly film: RefObject<FilmControls | null>;
  /** Opens the correcting of captions in the script's place. */
  readonly onCorrect: () => void;
}

/** Under the stage: the name of the clip, its window, and the captions of its film. */
export function ClipDetails({ clip, material, lessonId, apply, setWindow, film, onCorrect }: Props) {
  const nowMs = () => film.current?.nowMs() ?? 0;
  const endMs = material?.lengthMs ?? clip.outMs;
  return (
    <div className="grid gap-5">
      <PartTitleField label={t('desk.clipTitle')} part={clip} apply={apply} />
      <section aria-labelledby="window" className="grid gap-2">
        <h2 id="window" className="text-16">
          {t('desk.window')}
        </h2>
        <div className="flex flex-wrap items-end gap-2">
          <TimeField label={t('desk.inPoint')} valueMs={clip.inMs} onChange={(ms) => setWindow(ms, clip.outMs)} />
          <TimeField label={t('desk.outPoint')} valueMs={clip.outMs} onChange={(ms) => setWindow(clip.inMs, ms)} />
        </div>
        <div className="flex flex-wrap gap-2">
          <Button size="small" onClick={() => setWindow(nowMs(), clip.outMs)}>
            {t('desk.setIn')}
          </Button>
          <Button size="small" onClick={() => setWindow(clip.inMs, nowMs())}>
            {t('desk.setOut')}
          </Button>
          {(clip.inMs > 0 || clip.outMs < endMs) && (
            <Button size="small" look="quiet" onClick={() => setWindow(0, endMs)}>
              {t('desk.wholeFilm')}
            </Button>
          )}
        </div>
        <p className="text-13 text-quiet">{t('desk.windowHelp')}</p>
      </section>
      {material && <CaptionsPanel key={material.id} material={material} lessonId={lessonId} onCorrect={onCorrect} />}
      <Narrations clip={clip} film={film} apply={apply} />
      <PartSettings part={clip} apply={apply} />
      <div>
        <Button size="small" look="danger" onClick={() => apply({ type: 'removePart', partId: clip.id })}>
          {t('desk.removeClip')}
        </Button>
      </div>
    </div>
  );
}

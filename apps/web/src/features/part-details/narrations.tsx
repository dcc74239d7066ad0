import type { LessonChange, MaterialPart, Narration } from '@semita/core/lesson';
import { Mic, Play, Trash2 } from 'lucide-react';
import { type RefObject, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { Button } from '../../ui/button.tsx';
import { Field, Select, TextArea } from '../../ui/field.tsx';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import type { FilmControls } from '../film/film-stage.tsx';
import { RecorderBox } from '../voice/recorder-box.tsx';
import '../voice/words.ts';

interface Props {
  readonly clip: MaterialPart;
  readonly film: RefObject<FilmControls | null>;
  readonly apply: (change: LessonChange) => boolean;
}

/** The teacher's voice over stretches of the clip: spoken while the film runs along without its sound. */
export function Narrations({ clip, film, apply }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  const beganMs = useRef(0);
  const narrations = (clip.narrations ?? []).toSorted((a, b) => a.atMs - b.atMs);
  const set = (next: readonly Narration[]) => apply({ type: 'setNarrations', partId: clip.id, narrations: next });
  /** The film that ran along stands still and has its sound again. */
  const settleFilm = () => {
    film.current?.pause();
    film.current?.setMuted(false);
  };
  return (
    <section aria-labelledby="narrations" className="grid gap-2">
      <h2 id="narrations" className="text-16">
        {t('voice.over')}
      </h2>
      {narrations.map((narration) => (
        <NarrationCard
          key={narration.id}
          narration={narration}
          onPlay={() => {
            film.current?.seek(narration.atMs);
            film.current?.play();
          }}
          onChange={(next) => set(narrations.map((one) => (one.id === next.id ? next : one)))}
          onRemove={() => set(narrations.filter((one) => one.id !== narration.id))}
        />
      ))}
      {isOpen ? (
        <RecorderBox
          sources={['voice']}
          title={t('voice.overTitle', { title: clip.title })}
          onBegin={() => {
            beganMs.current = Math.round(film.current?.nowMs() ?? clip.inMs);
            film.current?.setMuted(true);
            film.current?.play();
          }}
          onEnd={settleFilm}
          onClose={() => {
            settleFilm();
            setIsOpen(false);
          }}
          onKept={({ materialId, lengthMs, words, trimmedMs }) => {
            setIsOpen(false);
            const atMs = beganMs.current + Math.round(trimmedMs);
            set([...narrations, { id: v7(), materialId, words, atMs, lengthMs, filmSound: 'silent' }]);
            film.current?.seek(atMs);
          }}
        >
          <p className="text-14 text-quiet">{t('voice.overHelp')}</p>
        </RecorderBox>
      ) : (
        <div>
          <Button size="small" onClick={() => setIsOpen(true)}>
            <Mic aria-hidden className="size-4" strokeWidth={1.75} />
            {t('voice.overBegin')}
          </Button>
        </div>
      )}
    </section>
  );
}

interface CardProps {
  readonly narration: Narration;
  readonly onPlay: () => void;
  readonly onChange: (narration: Narration) => void;
  readonly onRemove: () => void;
}

function NarrationCard({ narration, onPlay, onChange, onRemove }: CardProps) {
  const { atMs, lengthMs, filmSound, words } = narration;
  const place = { from: formatClock(atMs), to: formatClock(atMs + lengthMs) };
  return (
    <div className="grid gap-2 rounded-control border border-line p-3">
      <div className="flex items-center gap-2">
        <span className="grow font-mono text-14">{t('voice.overPlace', place)}</span>
        <Button size="small" look="quiet" onClick={onPlay} aria-label={t('voice.overPlay', place)}>
          <Play aria-hidden className="size-4" strokeWidth={1.75} />
        </Button>
        <Button size="small" look="quiet" onClick={onRemove} aria-label={t('voice.overRemove', place)}>
          <Trash2 aria-hidden className="size-4" strokeWidth={1.75} />
        </Button>
      </div>
      <Field label={t('voice.filmSound')}>
        {(ids) => (
          <Select
            {...ids}
            className="w-full"
            value={filmSound}
            onChange={(event) => onChange({ ...narration, filmSound: event.target.value as Narration['filmSound'] })}
          >
            <option value="silent">{t('voice.silent')}</option>
            <option value="quiet">{t('voice.quiet')}</option>
          </Select>
        )}
      </Field>
      <Field label={t('voice.words')}>
        {(ids) => (
          <TextArea
            {...ids}
            className="text-14"
            value={words}
            onChange={(event) => onChange({ ...narration, words: event.target.value })}
          />
        )}
      </Field>
    </div>
  );
}

import type { Slide } from '@semita/core/deck';
import { type Looked, spendReading } from '@semita/core/reducer';
import type { ScriptLine } from '@semita/core/script';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { type Ref, useEffect, useImperativeHandle, useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { isWriting } from '../../ui/is-writing.ts';
import { useKeys } from '../../ui/use-keys.ts';
import { t } from '../../words/words.ts';
import type { FilmControls } from '../film/film-stage.tsx';
import { SlideView } from './slide-view.tsx';

interface Props {
  readonly ref?: Ref<FilmControls>;
  readonly title: string;
  readonly slides: readonly Slide[];
  readonly lines: readonly ScriptLine[];
  readonly startMs: number;
  /** The place in the deck up to which it may be looked at now. */
  readonly limitMs: number;
  /** Why the slides may not be moved now; null when they may. */
  readonly lockedWords: string | null;
  /** Whether a slide was looked at already; one that was not has to be, before the next. */
  readonly isMet: (line: ScriptLine) => boolean;
  readonly onMet: (fromMs: number, toMs: number) => void;
}

const tickMs = 250;

/** Slides as students look at them: one at a time, as far as the next stop. */
export function DeckStage(props: Props) {
  const { title, slides, lines, startMs, limitMs, lockedWords, isMet } = props;
  const latest = useRef(props);
  latest.current = props;
  const last = Math.max(
    0,
    lines.findLastIndex((line) => line.startMs < limitMs),
  );
  const indexAt = (ms: number) =>
    Math.max(
      0,
      lines.findLastIndex((line) => line.startMs <= ms),
    );
  const [index, setIndex] = useState(() => Math.min(indexAt(startMs), last));
  const slide = slides[Math.min(index, last)];
  const line = lines[index];
  const mayGoOn = lockedWords === null && index < last && line !== undefined && isMet(line);
  const goTo = (next: number) => {
    if (lockedWords !== null || (next > index && !mayGoOn)) return;
    setIndex(Math.min(Math.max(0, next), last));
  };

  useImperativeHandle(props.ref, () => ({
    play: () => undefined,
    pause: () => undefined,
    seek: (ms) => goTo(indexAt(ms)),
    nowMs: () => lines[index]?.startMs ?? 0,
    flush: () => undefined,
    setMuted: () => undefined,
  }));

  // Each time a slide is shown it can be met once, when it was there long enough.
  useEffect(() => {
    if (!line || lockedWords !== null) return;
    let looked: Looked = new Map();
    let lastAt = performance.now();
    const timer = window.setInterval(() => {
      const now = performance.now();
      const elapsedMs = Math.min(1_000, now - lastAt);
      lastAt = now;
      if (document.visibilityState === 'hidden') return;
      const spent = spendReading(looked, [line], elapsedMs);
      looked = spent.looked;
      if (spent.met.length === 0) return;
      clearInterval(timer);
      latest.current.onMet(line.startMs, line.endMs);
    }, tickMs);
    return () => clearInterval(timer);
  }, [line, lockedWords]);

  // In a field, and among things to pick, arrows have their own work.
  const keepsOut = ({ target }: KeyboardEvent) => target instanceof HTMLInputElement || isWriting(target);
  useKeys('arrowright', () => goTo(index + 1), { keepsOut });
  useKeys('arrowleft', () => goTo(index - 1), { keepsOut });

  return (
    <article aria-label={title} className="overflow-hidden rounded-card border border-line bg-card">
      {lockedWords !== null && <p className="p-8 text-quiet">{lockedWords}</p>}
      {lockedWords === null && slide && (
        // No taller than the window: a tall slide is seen whole, with its buttons.
        <div className="mx-auto" style={{ maxWidth: `calc((100dvh - 12rem) * ${slide.width / slide.height})` }}>
          <SlideView slide={slide} />
        </div>
      )}
      <div className="flex items-center justify-between border-t border-line p-2">
        <Button
          size="roomy"
          look="quiet"
          disabled={index === 0 || lockedWords !== null}
          onClick={() => goTo(index - 1)}
        >
          <ChevronLeft aria-hidden className="size-5" strokeWidth={1.75} />
          {t('deck.back')}
        </Button>
        <p role="status" className="text-14 text-quiet">
          {t('deck.place', { number: index + 1, count: slides.length })}
        </p>
        <Button size="roomy" look="quiet" disabled={!mayGoOn} onClick={() => goTo(index + 1)}>
          {t('deck.next')}
          <ChevronRight aria-hidden className="size-5" strokeWidth={1.75} />
        </Button>
      </div>
    </article>
  );
}

import type { Part } from '@semita/core/lesson';
import { useEffect, useRef } from 'react';
import { historyKey } from '../../ui/history-key.ts';
import { isWriting } from '../../ui/is-writing.ts';
import type { Desk } from '../draft/desk-store.ts';
import type { FilmControls } from '../film/film-stage.tsx';

interface Options {
  readonly desk: Desk;
  readonly film: React.RefObject<FilmControls | null>;
  readonly part: Part | undefined;
  readonly setWindow: (inMs: number, outMs: number) => boolean;
}

/** Keys of the whole desk: history everywhere; window and shuttle wherever nothing is being written. */
export function useDeskKeys(options: Options): void {
  const latest = useRef(options);
  latest.current = options;
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      const { desk, film, part, setWindow } = latest.current;
      const key = event.key.toLowerCase();
      const step = historyKey(event);
      if (step) {
        desk[step]();
        event.preventDefault();
        return;
      }
      if (
        isWriting(event.target) ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        event.defaultPrevented ||
        !film.current
      )
        return;
      const nowMs = Math.round(film.current.nowMs());
      if (key === 'i' && part) setWindow(nowMs, part.outMs);
      else if (key === 'o' && part) setWindow(part.inMs, nowMs);
      else if (key === 'j') film.current.seek(nowMs - 10_000);
      else if (key === 'l') film.current.seek(nowMs + 10_000);
      else if (key === 'k') film.current.pause();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, []);
}

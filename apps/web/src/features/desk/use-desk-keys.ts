import type { Part } from '@semita/core/lesson';
import { useHistoryKeys, useKeys } from '../../ui/use-keys.ts';
import type { Desk } from '../draft/desk-store.ts';
import type { FilmControls } from '../film/film-stage.tsx';

interface Options {
  readonly desk: Desk;
  readonly film: React.RefObject<FilmControls | null>;
  readonly part: Part | undefined;
  readonly setWindow: (inMs: number, outMs: number) => boolean;
}

/** Keys of the whole desk: history everywhere; window and shuttle wherever nothing is being written. */
export function useDeskKeys({ desk, film, part, setWindow }: Options): void {
  useHistoryKeys(desk);
  useKeys('i, o, j, k, l', ({ key }) => {
    if (!film.current) return;
    const nowMs = Math.round(film.current.nowMs());
    const press: Readonly<Record<string, () => void>> = {
      i: () => part && setWindow(nowMs, part.outMs),
      o: () => part && setWindow(part.inMs, nowMs),
      j: () => film.current?.seek(nowMs - 10_000),
      k: () => film.current?.pause(),
      l: () => film.current?.seek(nowMs + 10_000),
    };
    press[key.toLowerCase()]?.();
  });
}

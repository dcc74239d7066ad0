import { useState } from 'react';

/** Changes of one place within this long are one step: a burst of typing. */
const burstMs = 1_500;
const maxStepsKept = 200;

interface State<T> {
  readonly past: readonly T[];
  readonly now: T;
  readonly future: readonly T[];
  /** Where the latest step was made, and when; null after a step that stands alone. */
  readonly burst: { readonly place: string; readonly atMs: number } | null;
}

export interface History<T> {
  readonly now: T;
  /** @param place what is written in; without one, the change is a step of its own */
  readonly change: (next: T, place?: string) => void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly undo: () => void;
  readonly redo: () => void;
}

/** Something that is worked on, with the steps it took. */
export function useHistory<T>(first: T): History<T> {
  const [{ past, now, future, burst }, set] = useState<State<T>>({ past: [], now: first, future: [], burst: null });
  return {
    now,
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    change(next, place) {
      const atMs = Date.now();
      const isBurst = place !== undefined && burst?.place === place && atMs - burst.atMs < burstMs;
      set({
        past: isBurst ? past : [...past, now].slice(-maxStepsKept),
        now: next,
        future: [],
        burst: place === undefined ? null : { place, atMs },
      });
    },
    undo() {
      if (past.length > 0)
        set({ past: past.slice(0, -1), now: past.at(-1) as T, future: [now, ...future], burst: null });
    },
    redo() {
      if (future.length > 0) set({ past: [...past, now], now: future[0] as T, future: future.slice(1), burst: null });
    },
  };
}

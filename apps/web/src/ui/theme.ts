import { useSyncExternalStore } from 'react';

type Theme = 'light' | 'dim';
const key = 'semita-theme';
const listeners = new Set<() => void>();
const read = (): Theme => (document.documentElement.dataset.theme === 'dim' ? 'dim' : 'light');

/** Within a frame of another site there may be no store at all, and asking for it throws. */
function left(): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** Sets the theme that this device was left in. */
export function restoreTheme(): void {
  document.documentElement.dataset.theme = left() ?? 'light';
}

function toggleTheme(): void {
  const next: Theme = read() === 'dim' ? 'light' : 'dim';
  document.documentElement.dataset.theme = next;
  localStorage.setItem(key, next);
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function useTheme() {
  return { theme: useSyncExternalStore(subscribe, read), toggleTheme };
}

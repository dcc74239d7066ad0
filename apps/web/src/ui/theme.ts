import { useSyncExternalStore } from 'react';

type Theme = 'light' | 'dim';
const key = 'semita-theme';
const listeners = new Set<() => void>();
const read = (): Theme => (document.documentElement.dataset.theme === 'dim' ? 'dim' : 'light');

/** Sets the theme that this device was left in. */
export function restoreTheme(): void {
  document.documentElement.dataset.theme = localStorage.getItem(key) ?? 'light';
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

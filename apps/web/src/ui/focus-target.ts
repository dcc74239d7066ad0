import { type RefCallback, useCallback } from 'react';

/*
 * Where the focus can be moved to, by name. What is not on the page yet (its room is still being loaded, or React has
 * not drawn it) is waited for: it takes the focus itself when it comes. Nothing looks for elements in the document.
 */

/** How long something may take to appear: parts of a page are loaded when they are first asked for. */
const longestWaitMs = 2_000;

const targets = new Map<string, HTMLElement>();

interface Awaited {
  readonly name: string;
  readonly until: number;
  readonly take: (element: HTMLElement) => void;
}
let awaited: Awaited | null = null;

/** For the `ref` of what can be moved to by this name. */
export function useFocusTarget<E extends HTMLElement>(name: string): RefCallback<E> {
  return useCallback(
    (element: E | null) => {
      if (!element) return;
      targets.set(name, element);
      if (awaited?.name === name) takeAwaited(element);
      return () => {
        if (targets.get(name) === element) targets.delete(name);
      };
    },
    [name],
  );
}

/** What stands on the page by this name now. */
export function focusTarget(name: string): HTMLElement | undefined {
  return targets.get(name);
}

/** Moves the focus once the page has been drawn anew: to what is new on it, or away from what is gone. */
export function focusOn(name: string, scroll: 'center' | 'none' = 'none'): void {
  awaitTarget(name, (element) => {
    if (scroll === 'center') element.scrollIntoView({ block: 'center' });
    element.focus();
  });
}

/**
 * The same for a field that is written in at once: what is typed before it is there goes into it, and no single
 * letter of it is taken for a key of the page.
 */
export function writeIn(name: string): void {
  let typed = '';
  const ending = new AbortController();
  const letGo = () => ending.abort();
  const keep = (event: KeyboardEvent) => {
    if (event.key === 'Shift') return;
    if (event.ctrlKey || event.metaKey || event.altKey || event.key.length !== 1) return letGo();
    typed += event.key;
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  const whileWaiting = { capture: true, signal: ending.signal };
  window.addEventListener('keydown', keep, whileWaiting);
  window.addEventListener('pointerdown', letGo, whileWaiting);
  setTimeout(letGo, longestWaitMs);
  awaitTarget(name, (field) => {
    if (ending.signal.aborted) return;
    letGo();
    field.focus();
    // The one way to enter text as if it had been typed: the field's own history and React both take it in.
    if (typed !== '') document.execCommand('insertText', false, typed);
  });
}

function awaitTarget(name: string, take: Awaited['take']): void {
  const wish: Awaited = { name, take, until: performance.now() + longestWaitMs };
  awaited = wish;
  // What stands there already may be about to be drawn elsewhere, or to go.
  requestAnimationFrame(() => {
    const element = targets.get(name);
    if (awaited === wish && element) takeAwaited(element);
  });
}

function takeAwaited(element: HTMLElement): void {
  const wish = awaited;
  awaited = null;
  if (wish && performance.now() <= wish.until) wish.take(element);
}

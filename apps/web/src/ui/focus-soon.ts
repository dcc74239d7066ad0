/** How long something may take to appear: parts of a page are loaded when they are first asked for. */
const longestWaitMs = 2_000;

/** Moves the focus once the page has been drawn anew: to what is new on it, or away from what is gone. */
export function focusSoon(find: () => HTMLElement | null | undefined, scroll: 'center' | 'none' = 'none'): void {
  const since = performance.now();
  const look = () => {
    const element = find();
    if (!element) {
      if (performance.now() - since < longestWaitMs) requestAnimationFrame(look);
      return;
    }
    if (scroll === 'center') element.scrollIntoView({ block: 'center' });
    element.focus();
  };
  requestAnimationFrame(look);
}

/**
 * The same for a field that is written in at once: what is typed before it is there goes into it, and no single
 * letter of it is taken for a key of the page.
 */
export function writeSoon(find: () => HTMLTextAreaElement | HTMLInputElement | null | undefined): void {
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
  focusSoon(() => {
    const field = ending.signal.aborted ? null : find();
    if (!field) return field;
    letGo();
    field.focus();
    // The one way to enter text as if it had been typed: the field's own history and React both take it in.
    if (typed !== '') document.execCommand('insertText', false, typed);
    return field;
  });
}

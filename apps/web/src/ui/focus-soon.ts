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

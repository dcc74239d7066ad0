/** Moves the focus once the page has been drawn anew: to what is new on it, or away from what is gone. */
export function focusSoon(find: () => HTMLElement | null | undefined, scroll: 'center' | 'none' = 'none'): void {
  requestAnimationFrame(() => {
    const element = find();
    if (scroll === 'center') element?.scrollIntoView({ block: 'center' });
    element?.focus();
  });
}

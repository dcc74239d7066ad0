import { isWriting } from '../../ui/is-writing.ts';
import { useKeys } from '../../ui/use-keys.ts';

/**
 * Leads to the points of the next answer that waits for a mark, after where the focus is, or else from the top.
 * @param except the form that was just saved, and may not show it yet
 * @returns whether there is one
 */
export function focusNextUnmarked(root: HTMLElement, except?: Element): boolean {
  const forms = [...root.querySelectorAll('form[data-unmarked]')].filter((form) => form !== except);
  const isAfter = (form: Element) =>
    document.activeElement !== null &&
    (document.activeElement.compareDocumentPosition(form) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;
  const next = forms.find(isAfter) ?? forms[0];
  next?.closest('article')?.scrollIntoView({ block: 'center' });
  next?.querySelector('input')?.focus({ preventScroll: true });
  return next !== undefined;
}

/** Shift N, wherever no words are being written. */
export function useNextKey(go: (() => void) | null): void {
  useKeys('shift+n', () => go?.(), {
    enabled: go !== null,
    // A field for points takes no letters.
    keepsOut: ({ target }) => isWriting(target) && !(target instanceof HTMLInputElement && target.type === 'number'),
  });
}

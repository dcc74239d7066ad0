const boxTypes = new Set(['radio', 'checkbox', 'range', 'button', 'submit', 'file']);

/** Whether a key pressed here is meant for a field, so that single-letter keys must keep out of it. */
export function isWriting(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement) return !boxTypes.has(target.type);
  return target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement;
}

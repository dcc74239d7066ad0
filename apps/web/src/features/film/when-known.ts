/**
 * Tells what a film is as soon as its browser knows: at once where it knows already, since an element can load before
 * the page it belongs to is put together, and its event is then heard by nobody.
 * @returns its undo
 */
export function whenKnown(element: HTMLMediaElement, tell: () => void): () => void {
  // 1: HAVE_METADATA (HTML, media elements).
  if (element.readyState >= 1) tell();
  element.addEventListener('loadedmetadata', tell);
  return () => element.removeEventListener('loadedmetadata', tell);
}

const highlightName = 'stop-words';

/** Made here and not in styles.css, since the tool that makes that smaller does not know this selector yet. */
const colours =
  '::highlight(stop-words) { background-color: var(--color-marigold-tint); text-decoration: underline 2px var(--color-marigold); }';
let isColoured = false;

function colourOnce(): void {
  if (isColoured) return;
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(colours);
  document.adoptedStyleSheets.push(sheet);
  isColoured = true;
}

/**
 * Colours words inside blocks without touching the page, by the CSS Custom Highlight API. Where a browser does not
 * know it, the words are only not coloured.
 * @returns its undo
 */
export function markPhrases(
  root: HTMLElement,
  phrases: ReadonlyMap<string, readonly string[]>,
): (() => void) | undefined {
  if (typeof Highlight === 'undefined') return undefined;
  const ranges = [...phrases].flatMap(([blockId, words]) => {
    const block = root.querySelector(`[data-block="${blockId}"]`);
    return block ? words.flatMap((phrase) => findRange(block, phrase) ?? []) : [];
  });
  colourOnce();
  CSS.highlights.set(highlightName, new Highlight(...ranges));
  return () => CSS.highlights.delete(highlightName);
}

/** The first place of a phrase in an element's words, whose spaces are counted as one each. */
function findRange(element: Element, phrase: string): Range | null {
  const places: { node: Text; offset: number }[] = [];
  let text = '';
  const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  for (let node = walker.nextNode(); node; node = walker.nextNode())
    for (const [offset, char] of [...(node as Text).data].entries()) {
      const isSpace = /\s/.test(char);
      if (isSpace && (text === '' || text.endsWith(' '))) continue;
      text += isSpace ? ' ' : char;
      places.push({ node: node as Text, offset });
    }
  const at = text.indexOf(phrase);
  const [from, to] = [places[at], places[at + phrase.length - 1]];
  if (at < 0 || !from || !to) return null;
  const range = document.createRange();
  range.setStart(from.node, from.offset);
  range.setEnd(to.node, to.offset + 1);
  return range;
}

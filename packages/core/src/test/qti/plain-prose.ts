import type { Prose } from '../../formats/qti/prose.ts';
import { element, textOf } from '../../formats/xml-tree.ts';

/** Paragraphs and nothing else; the server's own has more. */
export const plainProse: Prose = {
  toMarkup: (text) => text.split('\n\n').map((paragraph) => element('p', {}, paragraph)),
  toText: (nodes) =>
    nodes
      .map((node) => textOf(node).trim())
      .filter((text) => text !== '')
      .join('\n\n'),
};

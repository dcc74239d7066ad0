import type { XmlNode } from '../xml-tree.ts';

/** How words of questions become markup and back: CommonMark with formulas here, XHTML with MathML in QTI. */
export interface Prose {
  /** Blocks: paragraphs, lists, and so on. */
  readonly toMarkup: (text: string) => readonly XmlNode[];
  readonly toText: (nodes: readonly XmlNode[]) => string;
}

/** The same where only a line of words may stand: a single paragraph gives up its frame. */
export function inlineMarkup(prose: Prose, text: string): readonly XmlNode[] {
  const blocks = prose.toMarkup(text);
  const [only] = blocks;
  return blocks.length === 1 && typeof only === 'object' && only.name === 'p' ? only.children : blocks;
}

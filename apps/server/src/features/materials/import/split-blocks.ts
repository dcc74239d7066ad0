import type { BlockKind } from '@semita/core/script';
import { readingTimeMs } from '@semita/core/text';
import type { ChildNode, Element } from 'domhandler';
import { DomUtils, parseDocument } from 'htmlparser2';
import type { RawBlock } from './import-result.ts';

const blockTags: Readonly<Record<string, BlockKind>> = {
  h1: 'heading',
  h2: 'heading',
  h3: 'heading',
  h4: 'heading',
  h5: 'heading',
  h6: 'heading',
  p: 'paragraph',
  ul: 'list',
  ol: 'list',
  dl: 'list',
  table: 'table',
  blockquote: 'quote',
  figure: 'picture',
  img: 'picture',
  pre: 'code',
  hr: 'paragraph',
};

/**
 * Cuts cleaned HTML into the blocks that stops stand between.
 * @param html from the sanitiser
 * @returns blocks in order; those without words and pictures are left out
 */
export function splitBlocks(html: string): RawBlock[] {
  const blocks: RawBlock[] = [];
  let loose: ChildNode[] = [];
  const closeLoose = () => {
    if (loose.length > 0) blocks.push(toBlock('paragraph', `<p>${loose.map(outerHtml).join('').trim()}</p>`, loose));
    loose = [];
  };
  for (const node of parseDocument(html).children) {
    const kind = DomUtils.isTag(node) ? blockTags[node.name] : undefined;
    if (!kind) {
      loose.push(node);
      continue;
    }
    closeLoose();
    const isPictureAlone = kind === 'paragraph' && textOf([node]) === '' && picturesIn([node]) > 0;
    blocks.push(toBlock(isPictureAlone ? 'picture' : kind, outerHtml(node), [node]));
  }
  closeLoose();
  return blocks.filter((block) => block.text !== '' || block.pictureCount > 0);
}

/** Where a source breaks its lines means nothing, but in code. */
function outerHtml(node: ChildNode): string {
  const html = DomUtils.getOuterHTML(node, { encodeEntities: 'utf8' });
  return DomUtils.isTag(node) && node.name === 'pre' ? html : html.replace(/\s+/g, ' ');
}

function toBlock(kind: BlockKind, html: string, nodes: readonly ChildNode[]): RawBlock {
  const pictureCount = picturesIn(nodes);
  const text = textOf(nodes);
  const said = text === '' && pictureCount > 0 ? altOf(nodes) : text;
  return { kind, html, text: said, pictureCount, lengthMs: readingTimeMs(said, pictureCount) };
}

const imagesOf = (nodes: readonly ChildNode[]): Element[] => DomUtils.getElementsByTagName('img', [...nodes]);
const picturesIn = (nodes: readonly ChildNode[]) => imagesOf(nodes).length;
const altOf = (nodes: readonly ChildNode[]) =>
  imagesOf(nodes)
    .map((image) => image.attribs.alt ?? '')
    .join(' ')
    .trim();

/** Elements that end a word. */
const spacedTags = new Set(['br', 'p', 'li', 'td', 'th', 'tr', 'dt', 'dd', 'div', 'caption', 'figcaption']);

function textOf(nodes: readonly ChildNode[]): string {
  const pieces: string[] = [];
  const visit = (node: ChildNode): void => {
    if (DomUtils.isText(node)) pieces.push(node.data);
    else if (DomUtils.hasChildren(node)) {
      node.children.forEach(visit);
      if (DomUtils.isTag(node) && spacedTags.has(node.name)) pieces.push(' ');
    }
  };
  nodes.forEach(visit);
  return pieces.join('').replace(/\s+/g, ' ').trim();
}

import type { PDFPageProxy } from 'pdfjs-dist';
import { bullet, numbered } from './pdf-blocks.ts';
import { escapeHtml } from './xml.ts';

/** A node of a tagged page as the library gives it. */
interface TagNode {
  readonly role?: string;
  readonly alt?: string;
  readonly type?: string;
  readonly id?: string;
  readonly children?: readonly TagNode[];
}

/** Roles of tagged PDF (ISO 32000-1, 14.8.4) and the elements they become; what is not named here only holds others. */
const elementOfRole: Readonly<Record<string, string>> = {
  H: 'h2',
  H1: 'h1',
  H2: 'h2',
  H3: 'h3',
  H4: 'h4',
  H5: 'h5',
  H6: 'h6',
  Title: 'h1',
  P: 'p',
  Table: 'table',
  TR: 'tr',
  TH: 'th',
  TD: 'td',
  BlockQuote: 'blockquote',
  Quote: 'em',
  Code: 'code',
  Note: 'p',
  Caption: 'p',
  Em: 'em',
  Strong: 'strong',
};

function htmlOfList(items: string, isNumbered: boolean): string {
  const element = isNumbered ? 'ol' : 'ul';
  return `<${element}>${items}</${element}>`;
}

/** A picture of a page: what to write for it, and how far down it begins. */
export interface PagePicture {
  readonly src: string;
  readonly y: number;
}

/** Roles that stand by themselves on a page; a picture can be written before them. */
const blockRoles = new Set(['H', 'H1', 'H2', 'H3', 'H4', 'H5', 'H6', 'Title', 'P', 'L', 'Table', 'BlockQuote', 'Note']);

/**
 * A tagged page as HTML.
 * @param pictures of the page; where the tags name figures, in their order. What they do not name is written where it
 *   stands on the page
 * @returns null when the page has no tags, or they leave out most of its words
 */
export async function htmlOfTags(page: PDFPageProxy, pictures: readonly PagePicture[]): Promise<string | null> {
  const tree = (await page.getStructTree()) as TagNode | null;
  if (!tree?.children?.length) return null;
  const { words, tops, all } = await wordsByMark(page);
  const left = pictures.toSorted((a, b) => a.y - b.y);
  const hasFigures = findNodes(tree, (node) => node.role === 'Figure').length > 0;
  let used = 0;
  const picturesAbove = (y: number): string => {
    let html = '';
    while (!hasFigures && left[0] && left[0].y <= y) html += htmlOfPicture(left.shift(), '');
    return html;
  };
  const write = (node: TagNode, isInBlock: boolean): string => {
    if (node.type === 'content') {
      const text = words.get(node.id ?? '') ?? '';
      used += text.length;
      return escapeHtml(text);
    }
    if (node.role === 'Lbl') return '';
    if (node.role === 'Figure') return htmlOfPicture(left.shift(), node.alt ?? '');
    const isBlock = blockRoles.has(node.role ?? '');
    const [first] = isBlock && !isInBlock ? findNodes(node, (one) => tops.has(one.id ?? '')) : [];
    const before = first ? picturesAbove(tops.get(first.id ?? '') ?? 0) : '';
    const inner = (node.children ?? []).map((child) => write(child, isInBlock || isBlock)).join('');
    return before + wrapInner(node, inner, firstWords(node, words));
  };
  const html = write(tree, false) + picturesAbove(Number.POSITIVE_INFINITY);
  return used >= all * 0.8 ? html : null;
}

function wrapInner(node: TagNode, inner: string, label: string): string {
  const trimmed = inner.trim();
  if (node.role === 'LI') return trimmed === '' ? '' : `<li>${withoutLabel(trimmed)}</li>`;
  if (node.role === 'L') return htmlOfList(inner, numbered.test(`${label} `));
  const element = elementOfRole[node.role ?? ''];
  return element && trimmed !== '' ? `<${element}>${trimmed}</${element}>` : inner;
}

/** Not every program tags the mark of an item apart from its words. */
function withoutLabel(item: string): string {
  const [, opening = '', words = ''] = /^((?:<p>)?)\s*([\s\S]*)$/.exec(item) ?? [];
  return opening + words.replace(bullet, '').replace(numbered, '');
}

const htmlOfPicture = (picture: PagePicture | undefined, alt: string): string =>
  picture ? `<p><img src="${picture.src}" alt="${escapeHtml(alt)}"></p>` : '';

function findNodes(node: TagNode, isWanted: (node: TagNode) => boolean): TagNode[] {
  return [...(isWanted(node) ? [node] : []), ...(node.children ?? []).flatMap((child) => findNodes(child, isWanted))];
}

function firstWords(node: TagNode, words: ReadonlyMap<string, string>): string {
  const [first] = findNodes(node, (one) => (words.get(one.id ?? '') ?? '').trim() !== '');
  return (words.get(first?.id ?? '') ?? '').trim();
}

interface Marks {
  readonly words: Map<string, string>;
  /** How far down the page what is marked begins. */
  readonly tops: Map<string, number>;
  /** Letters under any mark. */
  readonly all: number;
}

async function wordsByMark(page: PDFPageProxy): Promise<Marks> {
  const { items } = await page.getTextContent({ includeMarkedContent: true });
  const { height } = page.getViewport({ scale: 1 });
  const words = new Map<string, string>();
  const tops = new Map<string, number>();
  const open: (string | undefined)[] = [];
  let all = 0;
  for (const item of items) {
    if ('type' in item) {
      if (item.type === 'endMarkedContent') open.pop();
      else open.push((item as { id?: string }).id);
      continue;
    }
    const text = item.str + (item.hasEOL ? ' ' : '');
    const mark = open.findLast((id) => id !== undefined);
    if (mark === undefined) continue;
    all += text.length;
    if (!tops.has(mark)) tops.set(mark, height - Number(item.transform[5]));
    words.set(mark, (words.get(mark) ?? '') + text);
  }
  return { words, tops, all };
}

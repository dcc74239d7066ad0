import type { Element, Node } from '@xmldom/xmldom';
import { ImportRefused, type Report } from './import-result.ts';
import type { PictureBox } from './picture-box.ts';
import type { ZipFiles } from './safe-zip.ts';
import { allNamed, elementsIn, escapeHtml, findXml, firstNamed, isElement, parseXml } from './xml.ts';

/** Namespaces of OpenDocument 1.3, part 3. */
const ns = {
  text: 'urn:oasis:names:tc:opendocument:xmlns:text:1.0',
  table: 'urn:oasis:names:tc:opendocument:xmlns:table:1.0',
  style: 'urn:oasis:names:tc:opendocument:xmlns:style:1.0',
  fo: 'urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0',
  xlink: 'http://www.w3.org/1999/xlink',
} as const;

const read = (element: Element | undefined, space: keyof typeof ns, name: string): string =>
  element?.getAttributeNS(ns[space], name) ?? '';

interface Style {
  readonly parent: string;
  readonly wrappers: readonly string[];
}

/** A text document of the OpenDocument family as HTML; pictures go to the box. */
export async function readOdt(files: ZipFiles, pictures: PictureBox, report: Report): Promise<string> {
  const content = parseXml(files.get('content.xml'));
  const body = allNamed(content, 'text').find((one) => one.parentNode?.nodeName === 'office:body');
  if (!body) throw new ImportRefused('damaged');
  if ([...files.keys()].some((name) => name.startsWith('Basic/') && name.endsWith('.xml'))) report.add('macros');
  report.add('comments', allNamed(content, 'annotation').length);
  report.add('trackedChanges', allNamed(content, 'changed-region').length);
  const writer = createOdtWriter(files, content, pictures, report);
  const html = await writer.blocks(body);
  return html + writer.notes();
}

/** Writes pieces of an OpenDocument as HTML: blocks of text, frames, and in the end their notes. */
export function createOdtWriter(
  files: ZipFiles,
  content: ReturnType<typeof parseXml>,
  pictures: PictureBox,
  report: Report,
) {
  const sources = [findXml(files, 'styles.xml'), content].filter((one) => one !== undefined);
  const styles = new Map(
    sources
      .flatMap((source) => allNamed(source, 'style'))
      .map((style) => [read(style, 'style', 'name'), toStyle(style)] as const),
  );
  const listTags = new Map(
    sources
      .flatMap((source) => allNamed(source, 'list-style'))
      .map((style) => [
        read(style, 'style', 'name'),
        elementsIn(style).map((level) => (level.localName?.includes('number') ? 'ol' : 'ul')),
      ]),
  );
  const notes: string[] = [];

  const isStyled = (name: string, wanted: RegExp): boolean => {
    let current = name;
    for (let depth = 0; current !== '' && depth < 10; depth++) {
      if (wanted.test(current)) return true;
      current = styles.get(current)?.parent ?? '';
    }
    return false;
  };

  const inSequence = async (nodes: readonly Node[], write: (node: Node) => Promise<string> | string) => {
    let html = '';
    for (const node of nodes) html += await write(node);
    return html;
  };
  const inline = (node: Node) => inSequence(Array.from(node.childNodes), inlineNode);
  const blocks = (node: Node) => inSequence(elementsIn(node), (element) => block(element as Element));

  const inlineNode = async (node: Node): Promise<string> => {
    if (node.nodeType === 3) return escapeHtml(node.nodeValue ?? '');
    if (!isElement(node)) return '';
    switch (node.localName) {
      case 'span':
        return wrap(styles.get(read(node, 'text', 'style-name'))?.wrappers ?? [], await inline(node));
      case 's':
        return ' '.repeat(Math.min(100, Number(read(node, 'text', 'c')) || 1));
      case 'tab':
        return ' ';
      case 'line-break':
        return '<br>';
      case 'a':
        return `<a href="${escapeHtml(read(node, 'xlink', 'href'))}">${await inline(node)}</a>`;
      case 'note': {
        const noteBody = firstNamed(node, 'note-body');
        notes.push(noteBody ? await inSequence(elementsIn(noteBody), inline) : '');
        return `<sup>${notes.length}</sup>`;
      }
      case 'frame':
        return frame(node);
      case 'annotation':
      case 'note-citation':
      case 'soft-page-break':
        return '';
      default:
        return inline(node);
    }
  };

  const frame = async (node: Element): Promise<string> => {
    const image = firstNamed(node, 'image');
    const bytes = image && files.get(read(image, 'xlink', 'href').replace(/^\.\//, ''));
    if (bytes && !firstNamed(node, 'object')) {
      const alt = (firstNamed(node, 'desc') ?? firstNamed(node, 'title'))?.textContent ?? '';
      const src = await pictures.add(bytes);
      return src ? `<img src="${src}" alt="${escapeHtml(alt)}">` : '';
    }
    const object = firstNamed(node, 'object');
    if (object) {
      const name = read(object, 'xlink', 'href').replace(/^\.\//, '');
      report.add(files.get(`${name}/content.xml`)?.includes('<math') ? 'equations' : 'drawings');
      return '';
    }
    const box = firstNamed(node, 'text-box');
    return box ? blocks(box) : '';
  };

  const list = async (node: Element, level: number, inherited: string): Promise<string> => {
    const name = read(node, 'text', 'style-name') || inherited;
    const tag = listTags.get(name)?.[level] ?? 'ul';
    const items = await inSequence(elementsIn(node), async (item) => {
      const inner = await inSequence(elementsIn(item), (child) => {
        const element = child as Element;
        if (element.localName === 'list') return list(element, level + 1, name);
        return element.localName === 'p' ? inline(element) : block(element);
      });
      return `<li>${inner}</li>`;
    });
    return `<${tag}>${items}</${tag}>`;
  };

  const tableRows = (node: Node, cellTag: 'td' | 'th'): Promise<string> =>
    inSequence(elementsIn(node), async (child) => {
      const element = child as Element;
      if (element.localName === 'table-header-rows') return `<thead>${await tableRows(element, 'th')}</thead>`;
      if (element.localName === 'table-rows' || element.localName === 'table-row-group')
        return tableRows(element, cellTag);
      if (element.localName !== 'table-row') return '';
      const cells = await inSequence(elementsIn(element), async (cell) => {
        const one = cell as Element;
        if (one.localName !== 'table-cell') return '';
        const span = (name: 'columns' | 'rows', attribute: string) => {
          const count = Number(read(one, 'table', `number-${name}-spanned`)) || 1;
          return count > 1 ? ` ${attribute}="${count}"` : '';
        };
        return `<${cellTag}${span('columns', 'colspan')}${span('rows', 'rowspan')}>${await blocks(one)}</${cellTag}>`;
      });
      return `<tr>${cells}</tr>`;
    });

  const paragraph = async (element: Element): Promise<string> => {
    const html = await inline(element);
    if (html.trim() === '') return '';
    const style = read(element, 'text', 'style-name');
    if (isStyled(style, /^Title$/)) return `<h1>${html}</h1>`;
    if (isStyled(style, /^Quot/)) return `<blockquote><p>${html}</p></blockquote>`;
    if (isStyled(style, /^Preformatted/)) return `<pre>${html}</pre>`;
    return `<p>${wrap(styles.get(style)?.wrappers ?? [], html)}</p>`;
  };

  const block = async (element: Element): Promise<string> => {
    switch (element.localName) {
      case 'h': {
        const level = Math.min(6, Number(read(element, 'text', 'outline-level')) || 1);
        return `<h${level}>${await inline(element)}</h${level}>`;
      }
      case 'p':
        return paragraph(element);
      case 'list':
        return list(element, 0, '');
      case 'table':
        return `<table>${await tableRows(element, 'td')}</table>`;
      case 'section':
      case 'index-body':
        return blocks(element);
      case 'frame':
        return frame(element);
      default:
        return '';
    }
  };

  return {
    block,
    blocks,
    frame,
    notes: () => (notes.length > 0 ? `<ol>${notes.map((note) => `<li>${note}</li>`).join('')}</ol>` : ''),
  };
}

function toStyle(style: Element): Style {
  const text = firstNamed(style, 'text-properties');
  const position = read(text, 'style', 'text-position');
  const isOn = (value: string) => value !== '' && value !== 'none';
  const wrappers = [
    read(text, 'fo', 'font-weight') === 'bold' && 'strong',
    read(text, 'fo', 'font-style') === 'italic' && 'em',
    isOn(read(text, 'style', 'text-underline-style')) && 'u',
    isOn(read(text, 'style', 'text-line-through-style')) && 's',
    position.startsWith('sub') && 'sub',
    position.startsWith('super') && 'sup',
  ].filter((tag) => tag !== false);
  return { parent: read(style, 'style', 'parent-style-name'), wrappers };
}

const wrap = (tags: readonly string[], html: string): string =>
  html === '' ? '' : tags.reduce((inner, tag) => `<${tag}>${inner}</${tag}>`, html);

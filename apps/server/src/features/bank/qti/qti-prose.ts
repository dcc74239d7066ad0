import { type Prose, textOf, type XmlElement, type XmlNode } from '@semita/core/qti';
import katex from 'katex';
import MarkdownIt from 'markdown-it';
import { treeOf } from './xml-to-tree.ts';

const markdown = new MarkdownIt({ html: false, xhtmlOut: true, linkify: false, typographer: false });

/** Formulas between dollar signs, as where questions are shown. A sign behind a backslash is one. */
const formula = /(?<!\\)\$\$?([^$\n]+?)(?<!\\)\$\$?/g;

/** Stands for a formula while Markdown is read: characters nobody writes. */
const placeholder = (index: number) => `\ue000${index}\ue001`;
const placed = /\ue000(\d+)\ue001/;

/** CommonMark with formulas as XHTML with MathML, and back. */
export const qtiProse: Prose = {
  toMarkup(text) {
    const formulas: string[] = [];
    const marked = text.replace(/[\ue000\ue001]/g, '').replace(formula, (_, tex: string) => {
      formulas.push(tex);
      return placeholder(formulas.length - 1);
    });
    const { children } = treeOf(Buffer.from(`<div>${markdown.render(marked)}</div>`));
    return children.flatMap((node) => withFormulas(node, formulas)).filter((node) => node !== '\n');
  },
  toText: (nodes) => tidy(nodes.map((node) => blockText(node, '')).join('')),
};

function withFormulas(node: XmlNode, formulas: readonly string[]): XmlNode[] {
  if (typeof node !== 'string')
    return [{ ...node, children: node.children.flatMap((child) => withFormulas(child, formulas)) }];
  return node
    .split(new RegExp(placed.source, 'g'))
    .map((piece, index) => (index % 2 === 0 ? piece : mathOf(formulas[Number(piece)] ?? '')))
    .filter((piece) => piece !== '');
}

/** MathML, with the formula as it was written in its annotation. */
function mathOf(tex: string): XmlNode {
  const html = katex.renderToString(tex, { output: 'mathml', throwOnError: false });
  const from = html.indexOf('<math');
  const to = html.lastIndexOf('</math>');
  return from < 0 || to < from ? `$${tex}$` : treeOf(Buffer.from(html.slice(from, to + '</math>'.length)));
}

const tidy = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trimEnd())
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim();

const blocks: ReadonlySet<string> = new Set(
  'p div section article blockquote ul ol li pre table tr h1 h2 h3 h4 h5 h6 hr dl dt dd figure'.split(' '),
);
const isBlock = (node: XmlNode): node is XmlElement => typeof node !== 'string' && blocks.has(node.name);

/** A block with a blank line before and after; words between blocks are a paragraph of their own. */
function blockText(node: XmlNode, indent: string): string {
  if (!isBlock(node)) return inlineText(node);
  const inside = () => insideOf(node, indent);
  switch (node.name) {
    case 'ul':
    case 'ol':
      return `\n\n${itemsOf(node, indent).join('\n')}\n\n`;
    case 'blockquote':
      return `\n\n${inside().trim().replace(/^/gm, '> ')}\n\n`;
    case 'pre':
      return `\n\n\`\`\`\n${textOf(node).replace(/\n$/, '')}\n\`\`\`\n\n`;
    case 'hr':
      return '\n\n---\n\n';
    case 'table':
      return `\n\n${tableText(node)}\n\n`;
    default: {
      const level = /^h([1-6])$/.exec(node.name)?.[1];
      return `\n\n${level ? `${'#'.repeat(Number(level))} ` : ''}${inside().trim()}\n\n`;
    }
  }
}

const insideOf = (node: XmlElement, indent: string) => node.children.map((child) => blockText(child, indent)).join('');

function itemsOf(list: XmlElement, indent: string): string[] {
  const items = list.children.filter((child): child is XmlElement => typeof child !== 'string' && child.name === 'li');
  return items.map((item, index) => {
    const sign = list.name === 'ol' ? `${index + 1}. ` : '- ';
    const inner = tidy(insideOf(item, indent + ' '.repeat(sign.length)));
    return `${sign}${inner.replace(/\n/g, `\n${' '.repeat(sign.length)}`)}`;
  });
}

function tableText(table: XmlElement): string {
  const rows: string[][] = [];
  const walk = (node: XmlElement) => {
    for (const child of node.children) {
      if (typeof child === 'string') continue;
      if (child.name === 'tr')
        rows.push(
          child.children
            .filter((cell): cell is XmlElement => typeof cell !== 'string')
            .map((cell) => tidy(insideOf(cell, '')).replace(/\n+/g, ' ').replaceAll('|', '\\|')),
        );
      else walk(child);
    }
  };
  walk(table);
  const line = (cells: readonly string[]) => `| ${cells.join(' | ')} |`;
  const [head = [], ...rest] = rows;
  return [line(head), line(head.map(() => '---')), ...rest.map(line)].join('\n');
}

/** Addresses a page can lead to; nothing that would be run, or could end the link's own marks. */
const isLink = (href: string | undefined): href is string => /^(?:https?:\/\/|mailto:)[^\s()<>]+$/i.test(href ?? '');

/** Signs that would be read as marks. */
const signs = /[\\`*_[\]$]/g;

function inlineText(node: XmlNode): string {
  if (typeof node === 'string')
    return node
      .replace(/\s+/g, ' ')
      .replace(signs, '\\$&')
      .replace(/<(?=[a-z/!?])/gi, '\\<');
  const inside = () => node.children.map(inlineText).join('');
  const around = (sign: string) => {
    const all = inside();
    const words = all.trim();
    const before = all.slice(0, all.length - all.trimStart().length);
    const after = words === '' ? '' : all.slice(all.trimEnd().length);
    return words === '' ? `${before}${after}` : `${before}${sign}${words}${sign}${after}`;
  };
  switch (node.name) {
    case 'br':
      return '\\\n';
    case 'em':
    case 'i':
      return around('*');
    case 'strong':
    case 'b':
      return around('**');
    case 'code':
      return `\`${textOf(node)}\``;
    case 'a':
      return isLink(node.attributes.href) ? `[${inside()}](${node.attributes.href})` : inside();
    case 'script':
    case 'style':
      return '';
    case 'math':
      return formulaOf(node);
    default:
      return inside();
  }
}

/** The formula as it was written where that is told, else the words of the mathematics. */
function formulaOf(math: XmlElement): string {
  const find = (node: XmlElement): string | null => {
    if (node.name === 'annotation' && node.attributes.encoding === 'application/x-tex') return textOf(node);
    for (const child of node.children) {
      const found = typeof child === 'string' ? null : find(child);
      if (found !== null) return found;
    }
    return null;
  };
  const tex = find(math);
  return tex === null ? textOf(math).replace(/\s+/g, ' ').replace(signs, '\\$&') : `$${tex}$`;
}

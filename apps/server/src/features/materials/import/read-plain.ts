import MarkdownIt from 'markdown-it';
import { escapeHtml } from './xml.ts';

/** Markdown (CommonMark, with tables) as HTML. HTML inside it is shown as the text it is. */
export function readMarkdown(text: string): string {
  return new MarkdownIt({ html: false, linkify: false, typographer: false }).render(text);
}

/** Plain text as HTML: blank lines part paragraphs, single line ends are kept. */
export function readPlainText(text: string): string {
  return text
    .replace(/\r\n?/g, '\n')
    .split(/\n[ \t]*\n+/)
    .map((paragraph) => paragraph.trim())
    .filter((paragraph) => paragraph !== '')
    .map((paragraph) => `<p>${escapeHtml(paragraph).replaceAll('\n', '<br>')}</p>`)
    .join('\n');
}

import type { PdfLine } from './pdf-lines.ts';
import { escapeHtml } from './xml.ts';

/** The height that most letters of a document have: that of its running text. */
export function bodyHeightOf(lines: readonly PdfLine[]): number {
  const letters = new Map<number, number>();
  for (const { height, text } of lines) {
    const key = Math.round(height * 2) / 2;
    letters.set(key, (letters.get(key) ?? 0) + text.length);
  }
  return [...letters].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 10;
}

/** Marks of list items; programs do not always leave a space behind them, and 3.5 is no third item. */
export const bullet = /^(?:[•◦▪▸►·‣●]\s*|[–-]\s+)/u;
export const numbered = /^\(?(?:\d{1,3}[.)](?:\s+|(?=[^\d\s]))|[a-z]\)\s*|[a-z]\.\s+)/u;

type Role = 'h' | 'p' | 'ul' | 'ol';

interface Paragraph {
  readonly role: Role;
  readonly height: number;
  text: string;
  last: PdfLine;
}

/** Lines as HTML: headings by their size, lists by their marks, paragraphs by their gaps. */
export function htmlOfLines(lines: readonly PdfLine[], bodyHeight: number): string {
  const paragraphs: Paragraph[] = [];
  for (const line of lines) {
    const role = roleOf(line, bodyHeight);
    const current = paragraphs.at(-1);
    if (current && continues(current, line, role)) {
      current.text = joinLines(current.text, line.text);
      current.last = line;
    } else paragraphs.push({ role, height: line.height, text: line.text.replace(bullet, ''), last: line });
  }
  return paragraphs.map((paragraph, index) => htmlOf(paragraph, index, paragraphs, bodyHeight)).join('\n');
}

function roleOf(line: PdfLine, bodyHeight: number): Role {
  if (line.height > bodyHeight * 1.15 || (line.isBold && line.text.length < 90 && !/[.,;:]$/.test(line.text)))
    return 'h';
  if (bullet.test(line.text)) return 'ul';
  return numbered.test(line.text) ? 'ol' : 'p';
}

/** Whether a line goes on with the paragraph before it: same size, close under it, and no mark of its own. */
function continues(paragraph: Paragraph, line: PdfLine, role: Role): boolean {
  const { last } = paragraph;
  if (role === 'ul' || role === 'ol') return false;
  if ((role === 'h') !== (paragraph.role === 'h') || Math.abs(line.height - paragraph.height) > 0.8) return false;
  const gap = line.y - last.y;
  // A new column or page: a paragraph goes on when its last line was full and had no end.
  if (gap <= 0) return paragraph.role !== 'h' && !/[.!?:»”"]\s*$/u.test(last.text) && /^\p{Ll}/u.test(line.text);
  return gap < line.height * 1.75 && Math.abs(line.x - last.x) < line.height * 3;
}

/** A word broken at the end of a line is put together again. */
function joinLines(before: string, after: string): string {
  if (/\p{L}-$/u.test(before) && /^\p{Ll}/u.test(after)) return before.slice(0, -1) + after;
  return `${before.trimEnd()} ${after.trimStart()}`;
}

function htmlOf(paragraph: Paragraph, index: number, all: readonly Paragraph[], bodyHeight: number): string {
  const { role } = paragraph;
  const text = escapeHtml(paragraph.text.trim());
  if (role === 'h') {
    const level = paragraph.height > bodyHeight * 1.7 ? 1 : paragraph.height > bodyHeight * 1.25 ? 2 : 3;
    return `<h${level}>${text}</h${level}>`;
  }
  if (role === 'p') return `<p>${text}</p>`;
  const opens = all[index - 1]?.role === role ? '' : `<${role}>`;
  const closes = all[index + 1]?.role === role ? '' : `</${role}>`;
  return `${opens}<li>${role === 'ol' ? text.replace(numbered, '') : text}</li>${closes}`;
}

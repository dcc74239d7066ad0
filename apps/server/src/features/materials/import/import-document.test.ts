import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { wordsOf } from '@semita/core/text';
import { afterAll, expect, test } from 'vitest';
import { importDocument } from './import-document.ts';
import type { ImportedReading } from './import-result.ts';
import { sniffFormat } from './sniff-format.ts';

const documents = new URL('../../../../../../demo/documents/', import.meta.url).pathname;
const outDir = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-import-'));
afterAll(() => fs.rmSync(outDir, { recursive: true }));

async function bringIn(name: string): Promise<ImportedReading> {
  const file = path.join(documents, name);
  return importDocument(file, (await sniffFormat(file, name)) as 'docx', outDir, () => undefined);
}

/** A fixed order, whatever the machine's language. */
const byCode = (a: string, b: string) => (a < b ? -1 : Number(a > b));

const noteThatExportLeavesOut = ' Stone can be squeezed very hard, but it cracks when it is pulled even a little.';

/** Words as LibreOffice's own export of the same document to plain text has them; marks of lists and notes are its own. */
const exportedWords = (name: string) => {
  const text = fs.readFileSync(path.join(documents, `${name}.txt`), 'utf8').replaceAll(/[•]|^\s*\d+\.\s/gm, ' ');
  return wordsOf(text + (name === 'notebook' ? noteThatExportLeavesOut : '')).sort(byCode);
};

const wordsIn = (reading: ImportedReading) =>
  reading.blocks
    // The words for a picture are no part of the text; the export leaves them out.
    .filter((block) => block.kind !== 'picture')
    .flatMap((block) => wordsOf(block.text))
    .sort(byCode);

/** Numbers of notes stand at the word, before the note, or both. */
const withoutNumbers = (words: string[]) =>
  words
    .filter((word) => !/^\d+$/.test(word))
    .map((word) => word.replace(/^1|1$/, ''))
    .sort(byCode);

test.each([
  ['notebook.docx', 'notebook'],
  ['notebook.odt', 'notebook'],
  ['notebook.html', 'notebook'],
  ['notebook.pdf', 'notebook'],
  ['notebook-tagged.pdf', 'notebook'],
  ['arabic.docx', 'arabic'],
  ['arabic.odt', 'arabic'],
  ['japanese.docx', 'japanese'],
  ['japanese.odt', 'japanese'],
])('%s: the same words as LibreOffice exports, none lost and none made up', async (file, name) => {
  expect(withoutNumbers(wordsIn(await bringIn(file)))).toEqual(withoutNumbers(exportedWords(name)));
});

test('notebook.epub: the same words, but for the head of its table, which LibreOffice does not write into a book', async () => {
  const rest = withoutNumbers(exportedWords('notebook'));
  for (const word of ['Bridge', 'Own', 'weight', 'Load', 'held']) rest.splice(rest.indexOf(word), 1);
  expect(withoutNumbers(wordsIn(await bringIn('notebook.epub'))).sort(byCode)).toEqual(rest);
});

test.each(['notebook.docx', 'notebook.odt'])('%s keeps what its parts are', async (file) => {
  const { title, blocks, pictures, leftOut } = await bringIn(file);
  expect(title).toBe('A bridge-keeper’s notebook');
  expect(leftOut).toEqual([]);
  expect(pictures).toMatchObject([{ name: 'p1', mimeType: 'image/webp' }]);
  const html = blocks.map((block) => block.html).join('');
  for (const piece of [
    '<h1>Monday: the beam</h1>',
    '<strong>beam</strong>',
    '<em>pulled</em>',
    '<img src="picture:p1" alt="A stone arch with a keystone at its top.',
    '<li>a crack that opens toward the river</li>',
    '<ol><li>Look along the deck for a dip.</li>',
    '<th><p>Own weight</p></th>',
    '<a href="https://example.org/paper-bridges" target="_blank" rel="noopener noreferrer nofollow">',
  ])
    expect(html).toContain(piece);
  expect(blocks.map((block) => block.kind)).toContain('quote');
  expect(blocks.at(-1)?.text).toContain('Stone can be squeezed very hard');
});

test('a tagged PDF keeps headings, lists, tables and pictures', async () => {
  const { blocks } = await bringIn('notebook-tagged.pdf');
  const kinds = blocks.map((block) => block.kind);
  expect(kinds.filter((kind) => kind === 'heading').length).toBeGreaterThanOrEqual(5);
  expect(kinds).toEqual(expect.arrayContaining(['list', 'table', 'picture']));
  // LibreOffice does not tag a picture that stands in a line; it is put where it stands on the page.
  expect(kinds.indexOf('picture')).toBe(blocks.findIndex((block) => block.text.startsWith('An arch pushes')) - 1);
});

test('a PDF without tags is read by where its words stand', async () => {
  const { title, blocks, pictures } = await bringIn('notebook.pdf');
  expect(title).toBe('A bridge-keeper’s notebook');
  expect(blocks.filter((block) => block.kind === 'heading').map((block) => block.text)).toEqual(
    expect.arrayContaining(['Monday: the beam', 'Friday: in this order']),
  );
  expect(blocks.filter((block) => block.kind === 'list').length).toBeGreaterThanOrEqual(2);
  expect(pictures).toHaveLength(1);
});

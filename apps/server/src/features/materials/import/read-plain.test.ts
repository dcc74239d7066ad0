import { expect, test } from 'vitest';
import { readMarkdown, readPlainText } from './read-plain.ts';
import { splitBlocks } from './split-blocks.ts';

test('plain text: blank lines part paragraphs, line ends inside them stay', () => {
  expect(splitBlocks(readPlainText('One\r\ntwo\r\n\r\n  \r\nThree < four'))).toEqual([
    { kind: 'paragraph', html: '<p>One<br>two</p>', text: 'One two', pictureCount: 0, lengthMs: expect.any(Number) },
    {
      kind: 'paragraph',
      html: '<p>Three &lt; four</p>',
      text: 'Three < four',
      pictureCount: 0,
      lengthMs: expect.any(Number),
    },
  ]);
});

test('Markdown: headings, lists, tables and quotes; HTML in it is only text', () => {
  const blocks = splitBlocks(
    readMarkdown('# Beam\n\nIt *bends*.\n\n- one\n- two\n\n| a | b |\n|---|---|\n| 1 | 2 |\n\n> said\n\n<b>bold</b>'),
  );
  expect(blocks.map((block) => block.kind)).toEqual(['heading', 'paragraph', 'list', 'table', 'quote', 'paragraph']);
  expect(blocks.at(-1)?.text).toBe('<b>bold</b>');
});

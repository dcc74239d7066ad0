import fc from 'fast-check';
import { expect, test } from 'vitest';
import { gapOf, gapTimeMs } from '../script/script.ts';
import { readingTimeMs } from '../text/reading-time.ts';
import { wordsOf } from '../text/words.ts';
import { anchorAt, anchorTimeMs, type ReadingBlock, readingLengthMs, readingScript } from './block.ts';

const block = (id: string, text: string): ReadingBlock => ({
  id,
  kind: 'paragraph',
  html: `<p>${text}</p>`,
  text,
  lengthMs: readingTimeMs(text),
});
const blocks = [
  block('a', 'The keeper writes at dusk.'),
  block('b', 'The cables hum. The deck is still.'),
  block('c', ''),
];
const lines = readingScript(blocks);

test('238 words take an adult a minute, and nothing takes less than a moment', () => {
  expect(readingTimeMs('word '.repeat(238))).toBe(60_000);
  expect(readingTimeMs('word '.repeat(119))).toBe(30_000);
  expect(readingTimeMs('')).toBe(2_000);
  expect(readingTimeMs('', 1)).toBe(8_000);
});

test('words are counted also where none are written apart', () => {
  expect(wordsOf('It’s 3.5 m — or so.')).toHaveLength(5);
  expect(wordsOf('橋は荷重を支える。').length).toBeGreaterThan(3);
  expect(wordsOf('يحمل الجسر الحمل')).toHaveLength(3);
});

test('blocks follow each other without a gap', () => {
  expect(lines[0]?.startMs).toBe(0);
  expect(lines.slice(1).map((line, index) => line.startMs - (lines[index]?.endMs ?? 0))).toEqual([0, 0]);
  expect(lines.at(-1)?.endMs).toBe(readingLengthMs(blocks));
});

test('a stop put into any gap stands at its anchor, and is shown in that gap', () => {
  for (let gap = 0; gap <= lines.length; gap++) {
    const atMs = anchorTimeMs(lines, anchorAt(lines, gap));
    expect(atMs).toBe(gapTimeMs(lines, gap));
    expect(gapOf(lines, atMs as number)).toBe(gap);
  }
});

test('a stop at words stands inside their block, wherever they are', () => {
  const text = 'The cables hum. The deck is still.';
  fc.assert(
    fc.property(fc.nat(text.length - 1), fc.nat(text.length - 1), (a, b) => {
      const phrase = text.slice(Math.min(a, b), Math.max(a, b) + 1);
      const atMs = anchorTimeMs(lines, { blockId: 'b', number: 2, phrase }) as number;
      expect(atMs).toBeGreaterThan(lines[1]?.startMs as number);
      expect(atMs).toBeLessThan(lines[1]?.endMs as number);
      expect(gapOf(lines, atMs)).toBe(2);
    }),
  );
});

test('an anchor whose block or words are gone stands nowhere', () => {
  expect(anchorTimeMs(lines, { blockId: 'z', number: 1 })).toBeNull();
  expect(anchorTimeMs(lines, { blockId: 'a', number: 1, phrase: 'dawn' })).toBeNull();
  expect(anchorTimeMs(lines, { blockId: 'a', number: 1, phrase: '' })).toBeNull();
});

import { expect, test } from 'vitest';
import { deckScript, slideLengthMs } from './slide.ts';

test('a slide takes as long as its words, and never less than a look', () => {
  expect(slideLengthMs('A beam', 0)).toBe(10_000);
  expect(slideLengthMs('word '.repeat(119), 1)).toBe(30_000 + 8_000);
});

test('slides follow each other without a gap', () => {
  const lines = deckScript([
    { id: 'a', text: 'One', lengthMs: 10_000 },
    { id: 'b', text: 'Two', lengthMs: 12_000 },
  ]);
  expect(lines.map((line) => [line.id, line.startMs, line.endMs])).toEqual([
    ['a', 0, 10_000],
    ['b', 10_000, 22_000],
  ]);
});

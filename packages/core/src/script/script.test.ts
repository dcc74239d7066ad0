import fc from 'fast-check';
import { expect, test } from 'vitest';
import { gapOf, gapTimeMs, lineAt, scriptOf } from './script.ts';

const cues = [
  { startMs: 800, endMs: 5254, text: 'Every bridge has one job.' },
  { startMs: 5754, endMs: 10_344, text: 'We will follow that load.' },
  { startMs: 10_344, endMs: 12_000, text: 'Two forces do most of the work.' },
];

test('without captions a film becomes lines of ten seconds', () => {
  expect(scriptOf([], 25_000).map((line) => [line.startMs, line.endMs, line.text])).toEqual([
    [0, 10_000, null],
    [10_000, 20_000, null],
    [20_000, 25_000, null],
  ]);
});

test('a stop in a gap lets the line finish', () => {
  const lines = scriptOf(cues, 12_000);
  expect([0, 1, 2, 3].map((gap) => gapTimeMs(lines, gap))).toEqual([800, 5504, 10_344, 12_000]);
});

test('a stop put in a gap is shown in that gap, also where cues overlap', () => {
  const cue = fc
    .tuple(fc.nat(60_000), fc.integer({ min: 2, max: 9_000 }))
    .map(([startMs, length]) => ({ startMs, endMs: startMs + length, text: 'x' }));
  fc.assert(
    fc.property(
      fc.uniqueArray(cue, { selector: (one) => Math.round(one.startMs / 10), minLength: 1, maxLength: 20 }),
      (many) => {
        const lines = scriptOf(many, 70_000);
        for (let gap = 0; gap <= lines.length; gap++) expect(gapOf(lines, gapTimeMs(lines, gap))).toBe(gap);
      },
    ),
  );
});

test('the line at a moment is the last that has begun', () => {
  const lines = scriptOf(cues, 12_000);
  expect([0, 800, 5600, 5754, 99_000].map((at) => lineAt(lines, at))).toEqual([-1, 0, 0, 1, 2]);
});

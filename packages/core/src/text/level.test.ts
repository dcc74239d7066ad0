import { expect, test } from 'vitest';
import { readingLevel } from './level.ts';

test('one-syllable words in sentences of ten: the formulas of Flesch and of Kincaid, worked by hand', () => {
  const level = readingLevel(Array.from({ length: 6 }, () => 'The cat sat on the mat in the warm sun.'));
  expect(level?.words).toBe(60);
  // 206.835 − 1.015 × 10 − 84.6 × 1; 0.39 × 10 + 11.8 × 1 − 15.59.
  expect(level?.ease).toBeCloseTo(112.085, 6);
  expect(level?.grade).toBeCloseTo(0.11, 6);
});

test('longer words and sentences are harder', () => {
  const easy = readingLevel([`${'The dog ran to the old tree. '.repeat(10)}`]);
  const hard = readingLevel([
    'The redistribution of gravitational loading throughout the interconnected superstructure of a suspension installation necessitates continuous observation of the anchorages, of the intermediate connections, and of the accumulated deformation that is characteristic of materials in the condition of prolonged tension.',
    'In the investigation of these phenomena it is customary that the responsible engineers are provided with instrumentation.',
  ]);
  expect(hard?.grade).toBeGreaterThan((easy?.grade ?? 0) + 8);
  expect(hard?.ease).toBeLessThan(easy?.ease ?? 0);
});

test('nothing is said of other languages, nor of a few words', () => {
  expect(readingLevel(['Bron bär vägen över ån. '.repeat(20)])).toBeNull();
  expect(readingLevel(['橋は荷重を支える。'.repeat(30)])).toBeNull();
  expect(readingLevel(['The bridge is old.'])).toBeNull();
});

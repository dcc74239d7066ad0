import { expect, test } from 'vitest';
import { findSilences } from './silences.ts';

/** Windows of speech at about −20 dB and of room noise at about −55 dB, twenty a second. */
const sound = (...parts: readonly [seconds: number, isSpeech: boolean][]) =>
  parts.flatMap(([seconds, isSpeech]) =>
    Array.from({ length: seconds * 20 }, (_, i) => (isSpeech ? 0.1 : 0.0018) * (1 + 0.3 * Math.sin(i))),
  );

test('silences between speech are found to the window, breaths are not', () => {
  const levels = sound([2, true], [0.9, false], [3, true], [0.2, false], [1, true], [0.5, false]);
  expect(findSilences(levels, 20)).toEqual([
    { fromMs: 2_000, toMs: 2_900 },
    { fromMs: 7_100, toMs: 7_600 },
  ]);
});

test('a sound of one loudness has no silences, and neither has no sound', () => {
  expect(findSilences(new Float32Array(200).fill(0.1), 20)).toEqual([]);
  expect(findSilences([], 20)).toEqual([]);
});

import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { readCaptions } from '../captions/read-captions.ts';
import { type ScriptLine, scriptOf } from '../script/script.ts';
import { topicShifts } from './cohesion.ts';
import { suggestBreaks } from './suggest-breaks.ts';

const demo = (name: string) => readFileSync(new URL(`../../../../demo/film/${name}`, import.meta.url));
const { cues } = readCaptions(demo('bridges.en.vtt'));
const filmMs = 191_400;
const lines = scriptOf(cues, filmMs);

/** Where the scenes of the demo film change, as its own generator wrote them. */
const sceneStartsMs = (
  JSON.parse(demo('bridges.timeline.json').toString()) as { scenes: { start: number }[] }
).scenes.map((scene) => Math.round(scene.start * 1000));

test('in the demo film most breaks are at a change of scene, and every one where a sentence ends', () => {
  const breaks = suggestBreaks(lines, { inMs: 0, outMs: filmMs }, 32_000);
  expect(breaks.length).toBeGreaterThanOrEqual(4);
  expect(breaks.every((one) => one.sentenceEnds)).toBe(true);
  const atScene = breaks.filter((one) => sceneStartsMs.some((ms) => Math.abs(ms - one.atMs) < 1_500));
  expect(atScene.length).toBeGreaterThanOrEqual(Math.ceil(breaks.length / 2));
});

test('where the words change altogether, the topic shifts the most', () => {
  const texts = [
    ...Array.from({ length: 8 }, () => 'The beam bends under its load.'),
    ...Array.from({ length: 8 }, () => 'Cables pull at both towers.'),
  ];
  const shifts = topicShifts(texts);
  expect(shifts.indexOf(Math.max(...shifts))).toBe(7);
  expect(topicShifts(['same words', 'same words', 'same words'])).toEqual([0, 0]);
});

const script = fc
  .array(fc.record({ lengthMs: fc.integer({ min: 500, max: 9_000 }), gapMs: fc.nat(1_500), ends: fc.boolean() }), {
    minLength: 2,
    maxLength: 60,
  })
  .map((rows) => {
    let atMs = 0;
    return rows.map(({ lengthMs, gapMs, ends }, index): ScriptLine => {
      const startMs = atMs;
      atMs += lengthMs + gapMs;
      return { id: String(index), startMs, endMs: startMs + lengthMs, text: ends ? 'Words end.' : 'Words go on' };
    });
  });

test('breaks rise, lie within the window and are gaps of the script', () => {
  fc.assert(
    fc.property(script, fc.integer({ min: 3_000, max: 60_000 }), (some, targetMs) => {
      const window = { inMs: 0, outMs: some.at(-1)?.endMs ?? 1 };
      const breaks = suggestBreaks(some, window, targetMs);
      for (const [index, one] of breaks.entries()) {
        expect(one.atMs).toBeGreaterThan(breaks[index - 1]?.atMs ?? 0);
        expect(one.atMs).toBeLessThan(window.outMs);
        expect(one.gap).toBeGreaterThan(0);
        expect(one.gap).toBeLessThan(some.length);
      }
    }),
  );
});

test('where somebody listened, a silence counts and a gap between captions does not', () => {
  const window = { inMs: 0, outMs: filmMs };
  const [first] = suggestBreaks(lines, window, 32_000);
  const heard = suggestBreaks(lines, window, 32_000, [
    { fromMs: (first?.atMs ?? 0) - 700, toMs: (first?.atMs ?? 0) + 300 },
  ]);
  expect(heard[0]).toMatchObject({ atMs: first?.atMs, silenceMs: 1_000 });
  expect(heard.slice(1).every((one) => one.silenceMs === 0)).toBe(true);
});

test('a film of one stretch is left whole', () => {
  expect(suggestBreaks(lines, { inMs: 0, outMs: 40_000 }, 30_000)).toEqual([]);
});

test('a 45-minute film with 900 captions takes less than half a second', () => {
  const long = Array.from(
    { length: 900 },
    (_, i): ScriptLine => ({
      id: String(i),
      startMs: i * 3_000,
      endMs: i * 3_000 + 2_700,
      text: `${lines[i % lines.length]?.text ?? ''} ${i}`,
    }),
  );
  const tries = [1, 2, 3].map(() => {
    const startedAt = performance.now();
    expect(suggestBreaks(long, { inMs: 0, outMs: 2_700_000 }, 300_000).length).toBeGreaterThan(5);
    return performance.now() - startedAt;
  });
  // Other tests run beside this one; what it needs itself shows in the best of a few.
  expect(Math.min(...tries)).toBeLessThan(500);
});

import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { ScriptLine } from '../script/script.ts';
import { splitMaterial, suggestStarts } from './split-material.ts';

const script = (...texts: string[]): ScriptLine[] =>
  texts.map((text, index) => ({ id: `line-${index}`, startMs: index * 1_000, endMs: (index + 1) * 1_000, text }));

test('one lesson a day, named after the slide that begins it', () => {
  const lines = script('A week of bridges', 'Monday\nThe beam', 'What bends', 'Tuesday: the arch', 'Feet');
  expect([...suggestStarts(lines)]).toEqual(['line-1', 'line-3']);
  expect([...suggestStarts(script('Beams', 'Arches'))]).toEqual(['line-0']);
  expect(splitMaterial(lines, new Set(['line-3', 'line-1']))).toEqual([
    { title: 'Monday', inMs: 0, outMs: 3_000 },
    { title: 'Tuesday: the arch', inMs: 3_000, outMs: 5_000 },
  ]);
});

test('the stretches are the whole script, one after the other, whatever is chosen', () => {
  const lines = script(...'abcdefgh');
  fc.assert(
    fc.property(fc.subarray(lines, { minLength: 1 }), (chosen) => {
      const stretches = splitMaterial(lines, new Set(chosen.map((line) => line.id)));
      expect(stretches).toHaveLength(chosen.length);
      expect(stretches[0]?.inMs).toBe(0);
      expect(stretches.at(-1)?.outMs).toBe(8_000);
      for (const [index, { outMs }] of stretches.slice(0, -1).entries()) expect(stretches[index + 1]?.inMs).toBe(outMs);
    }),
  );
});

import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { ScriptLine } from '../script/script.ts';
import { spendReading } from './spend-reading.ts';

const line = (id: string, startMs: number, endMs: number): ScriptLine => ({ id, startMs, endMs, text: id });
const page = [line('a', 0, 8_000), line('b', 8_000, 12_000), line('c', 12_000, 40_000)];

test('time in sight goes to the first block, then to the next', () => {
  const first = spendReading(new Map(), page, 1_500);
  expect(first.met).toEqual([]);
  const second = spendReading(first.looked, page, 1_000);
  expect(second.met.map((one) => one.id)).toEqual(['a']);
  expect([...second.looked]).toEqual([['b', 500]]);
});

test('what goes out of sight keeps what was spent on it', () => {
  const first = spendReading(new Map(), page, 1_999);
  const second = spendReading(first.looked, page.slice(1), 1_000);
  expect(second.met.map((one) => one.id)).toEqual(['b']);
  expect(second.looked.get('a')).toBe(1_999);
});

test('however the time is cut up, no more is met than its sum allows, and less by no more than a moment', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 500 }), { maxLength: 40 }), (slices) => {
      let looked: ReadonlyMap<string, number> = new Map();
      const met = new Set<string>();
      for (const slice of slices) {
        const spent = spendReading(
          looked,
          page.filter((one) => !met.has(one.id)),
          slice,
        );
        looked = spent.looked;
        for (const one of spent.met) met.add(one.id);
      }
      const sumMs = slices.reduce((sum, slice) => sum + slice, 0);
      const expected = page.filter((one) => one.endMs / 4 <= sumMs).map((one) => one.id);
      expect([...met]).toEqual(expected);
    }),
  );
});

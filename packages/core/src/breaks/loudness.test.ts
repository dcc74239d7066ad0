import fc from 'fast-check';
import { expect, test } from 'vitest';
import { loudnessBars } from './loudness.ts';

test('bars follow the sound: half a second loud, half a second silent', () => {
  const levels = Array.from({ length: 200 }, (_, index) => (Math.floor(index / 10) % 2 === 0 ? 0.4 : 0));
  expect(loudnessBars({ levels, hz: 20 }, 2_000, 4_000, 4)).toEqual([1, 0, 1, 0]);
  expect(loudnessBars({ levels, hz: 20 }, 10_000, 12_000, 2)).toEqual([0, 0]);
});

test('one bang does not hide the rest', () => {
  const levels = Array.from({ length: 1_000 }, () => 0.1).with(500, 1);
  expect(loudnessBars({ levels, hz: 20 }, 0, 1_000, 1)).toEqual([1]);
});

test('bars are always between nothing and full', () => {
  const level = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(fc.array(level), fc.nat(60_000), fc.integer({ min: 1, max: 40 }), (levels, fromMs, count) => {
      const bars = loudnessBars({ levels, hz: 20 }, fromMs, fromMs + 10_000, count);
      expect(bars).toHaveLength(count);
      expect(bars.every((bar) => bar >= 0 && bar <= 1)).toBe(true);
    }),
  );
});

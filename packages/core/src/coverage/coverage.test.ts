import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addInterval, type Coverage, coverageOf, coverageStrip, type Interval, metMs, metShare } from './coverage.ts';

const secondsLong = 60;
const window = { fromMs: 0, toMs: secondsLong * 1000 };

/** Intervals on whole seconds, so that a count per second says all about them. */
const wholeSeconds = fc.array(
  fc
    .tuple(fc.integer({ min: 0, max: secondsLong }), fc.integer({ min: 0, max: secondsLong }))
    .map(([a, b]): Interval => ({ fromMs: a * 1000, toMs: b * 1000 })),
  { maxLength: 40 },
);

/** How often each second was met, counted the slow way. */
function countPerSecond(intervals: readonly Interval[]): number[] {
  const counts = new Array<number>(secondsLong).fill(0);
  for (const { fromMs, toMs } of intervals)
    for (let second = fromMs / 1000; second < toMs / 1000; second++) counts[second] = (counts[second] ?? 0) + 1;
  return counts;
}

const timesAt = (coverage: Coverage, atMs: number) =>
  coverage.find((segment) => segment.fromMs <= atMs && atMs < segment.toMs)?.times ?? 0;
const addAll = (intervals: readonly Interval[]) => intervals.reduce(addInterval, [] as Coverage);

describe('against a count of every second', () => {
  test('layers, one by one and all at once', () => {
    fc.assert(
      fc.property(wholeSeconds, (intervals) => {
        const counts = countPerSecond(intervals);
        const coverage = addAll(intervals);
        expect(counts.map((_, second) => timesAt(coverage, second * 1000 + 500))).toEqual(counts);
        expect(coverageOf(intervals)).toEqual(coverage);
      }),
    );
  });

  test('how much was met, and the strip', () => {
    fc.assert(
      fc.property(wholeSeconds, (intervals) => {
        const counts = countPerSecond(intervals);
        const coverage = addAll(intervals);
        expect(metMs(coverage, window)).toBe(counts.filter((count) => count > 0).length * 1000);
        const strip = coverageStrip(coverage, window);
        expect(counts.map((_, second) => timesAt(strip, second * 1000 + 500))).toEqual(counts);
        expect(strip.reduce((sum, segment) => sum + segment.toMs - segment.fromMs, 0)).toBe(window.toMs);
      }),
    );
  });
});

test('segments are in order, apart, none empty; the order of arrival does not matter', () => {
  const anywhere = fc.array(
    fc.tuple(fc.nat(90_000), fc.nat(8_000)).map(([fromMs, lengthMs]) => ({ fromMs, toMs: fromMs + lengthMs })),
    { maxLength: 40 },
  );
  fc.assert(
    fc.property(anywhere, (intervals) => {
      const coverage = addAll(intervals);
      for (const [i, segment] of coverage.entries()) {
        expect(segment.toMs).toBeGreaterThan(segment.fromMs);
        const before = coverage[i - 1];
        if (before) expect(before.toMs).toBeLessThanOrEqual(segment.fromMs);
        if (before?.toMs === segment.fromMs) expect(before.times).not.toBe(segment.times);
      }
      expect(addAll(intervals.toReversed())).toEqual(coverage);
      expect(coverageOf(intervals)).toEqual(coverage);
    }),
  );
});

test('stretches half a second apart are one; further apart they are two', () => {
  const near = addAll([
    { fromMs: 0, toMs: 10_000 },
    { fromMs: 10_500, toMs: 20_000 },
  ]);
  expect(metMs(near, window)).toBe(20_000);
  expect(coverageStrip(near, { fromMs: 0, toMs: 20_000 })).toEqual([{ fromMs: 0, toMs: 20_000, times: 1 }]);
  const apart = addAll([
    { fromMs: 0, toMs: 10_000 },
    { fromMs: 10_501, toMs: 20_000 },
  ]);
  expect(metMs(apart, window)).toBe(19_499);
});

test('only the window counts', () => {
  const coverage = addAll([{ fromMs: 5_000, toMs: 40_000 }]);
  expect(metMs(coverage, { fromMs: 10_000, toMs: 20_000 })).toBe(10_000);
  expect(metShare(coverage, { fromMs: 0, toMs: 10_000 })).toBe(0.5);
  expect(metShare(coverage, { fromMs: 5_000, toMs: 5_000 })).toBe(0);
  expect(coverageStrip([], { fromMs: 1, toMs: 3 })).toEqual([{ fromMs: 1, toMs: 3, times: 0 }]);
});

test('what is empty or backwards changes nothing', () => {
  const coverage = addAll([{ fromMs: 0, toMs: 1_000 }]);
  expect(addInterval(coverage, { fromMs: 500, toMs: 500 })).toBe(coverage);
  expect(addInterval(coverage, { fromMs: 900, toMs: 100 })).toBe(coverage);
  expect(addInterval(coverage, { fromMs: Number.NaN, toMs: 100 })).toBe(coverage);
  expect(coverageOf([{ fromMs: 900, toMs: 100 }])).toEqual([]);
});

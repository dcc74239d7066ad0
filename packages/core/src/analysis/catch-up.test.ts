import { expect, test } from 'vitest';
import { coverageOf } from '../coverage/coverage.ts';
import { missedStretches } from './catch-up.ts';

const stop = (id: string, atMs: number) => ({ id, atMs });
const clip = {
  ...{ id: 'clip', kind: 'clip' as const, inMs: 10_000, outMs: 100_000 },
  stops: [stop('a', 30_000), stop('b', 60_000), stop('c', 100_000)],
};
const met = (...intervals: [number, number][]) => coverageOf(intervals.map(([fromMs, toMs]) => ({ fromMs, toMs })));
const missed = (coverage: ReturnType<typeof met>, settled: readonly string[] = []) =>
  missedStretches(
    [clip],
    () => coverage,
    (id) => settled.includes(id),
  ).map(({ fromMs, toMs, stopIds }) => [fromMs / 1_000, toMs / 1_000, stopIds.join(' ')]);

test('who was never there has missed everything', () => {
  expect(missed(met())).toEqual([[10, 100, 'a b c']]);
});

test('stretches that were not met, with the stops in them; a stop at an edge belongs to what leads up to it', () => {
  const half = met([10_000, 30_000], [50_000, 60_000]);
  expect(missed(half, ['a'])).toEqual([
    [30, 50, ''],
    [60, 60, 'b'],
    [60, 100, 'c'],
  ]);
  // What is left to answer in what was met stands by itself.
  expect(missed(met([10_000, 100_000]), ['a', 'c'])).toEqual([[60, 60, 'b']]);
  expect(missed(met([10_000, 100_000]), ['a', 'b', 'c'])).toEqual([]);
});

test('a hole between two claims is none', () => {
  expect(missed(met([10_000, 40_000], [42_500, 100_000]), ['a', 'b', 'c'])).toEqual([]);
});

test('a part of questions alone is missed where something is open', () => {
  const task = { id: 'task', kind: 'task' as const, inMs: 0, outMs: 1, stops: [stop('q', 0), stop('r', 0)] };
  const of = (settled: readonly string[]) =>
    missedStretches(
      [task],
      () => met(),
      (id) => settled.includes(id),
    );
  expect(of(['q'])).toEqual([{ partId: 'task', fromMs: 0, toMs: 0, stopIds: ['r'] }]);
  expect(of(['q', 'r'])).toEqual([]);
});

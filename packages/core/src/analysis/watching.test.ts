import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { coverageOf } from '../coverage/coverage.ts';
import { decodeWatching, encodeWatching } from './stored-watching.ts';
import { retentionOf, type WatchedLine, watchingFindings } from './watching.ts';

const window = { fromMs: 10_000, toMs: 130_000 };

function line(studentId: string, met: readonly (readonly [number, number])[], more: Partial<WatchedLine> = {}) {
  const coverage = coverageOf(met.map(([fromMs, toMs]) => ({ fromMs, toMs })));
  const furthestMs = Math.max(window.fromMs, ...met.map(([, toMs]) => toMs));
  return { studentId, coverage, furthestMs, pauses: [], rewinds: [], blockMs: {}, ...more };
}

describe('the retention curve', () => {
  test('counts for every second what counting one by one gives', () => {
    const place = fc.integer({ min: 0, max: 150 }).map((s) => s * 1_000);
    const student = fc.array(fc.tuple(place, place), { maxLength: 6 });
    fc.assert(
      fc.property(fc.array(student, { maxLength: 12 }), (all) => {
        const lines = all.map((met, i) => line(`s${i}`, met));
        const { met, again, starters } = retentionOf(lines, window);
        const times = (intervals: readonly (readonly [number, number])[], atMs: number) =>
          intervals.filter(([from, to]) => from <= atMs && atMs < to).length;
        for (let step = 0; step < 120; step++) {
          const middle = window.fromMs + step * 1_000 + 500;
          expect(met[step]).toBe(all.filter((own) => times(own, middle) > 0).length);
          expect(again[step]).toBe(all.filter((own) => times(own, middle) > 1).length);
        }
        const begun = (own: readonly (readonly [number, number])[]) =>
          own.some(([from, to]) => to > from && from < window.toMs && to > window.fromMs);
        expect(starters).toBe(all.filter(begun).length);
      }),
      { numRuns: 80 },
    );
  });

  test('a part of many hours has wider steps; an empty part and nobody have none', () => {
    const long = { fromMs: 0, toMs: 10 * 3_600_000 };
    expect(retentionOf([], long)).toMatchObject({ stepMs: 5_000, starters: 0 });
    expect(retentionOf([], long).met).toHaveLength(7_200);
    expect(retentionOf([line('a', [[0, 9]])], { fromMs: 5, toMs: 5 }).met).toEqual([]);
  });

  test('a gap that counts as none is none here either', () => {
    const lines = [
      line('a', [
        [10_000, 20_400],
        [20_700, 30_000],
      ]),
    ];
    expect(retentionOf(lines, window).met.slice(0, 20)).toEqual(new Array(20).fill(1));
  });
});

describe('what stands out', () => {
  const whole = [[10_000, 130_000]] as const;
  const all = (count: number, of: (i: number) => WatchedLine) => Array.from({ length: count }, (_, i) => of(i));

  test('a stretch that a third went back over, told once though it has a hole', () => {
    const lines = all(12, (i) =>
      line(
        `s${i}`,
        i < 4 ? [...whole, [40_000, 50_000], [54_000, 60_000]] : i === 4 ? [...whole, [90_000, 99_000]] : whole,
      ),
    );
    expect(watchingFindings(lines, window)).toEqual([
      { kind: 'wentBack', fromMs: 40_000, toMs: 60_000, studentIds: ['s0', 's1', 's2', 's3'] },
    ]);
  });

  test('a place at which many left, and one at which many paused', () => {
    const lines = all(10, (i) =>
      line(
        `s${i}`,
        i < 3 ? [[10_000, 70_000 + i * 1_500]] : whole,
        i > 5 ? { pauses: [33_000 + i * 300, 34_000] } : {},
      ),
    );
    expect(watchingFindings(lines, window)).toEqual([
      { kind: 'paused', fromMs: 34_000, toMs: 35_700, studentIds: ['s6', 's7', 's8', 's9'] },
      { kind: 'left', fromMs: 70_000, toMs: 73_000, studentIds: ['s0', 's1', 's2'] },
    ]);
  });

  test('too few who began say nothing; one who paused often is one', () => {
    expect(
      watchingFindings(
        all(4, (i) => line(`s${i}`, [...whole, ...whole])),
        window,
      ),
    ).toEqual([]);
    const often = all(8, (i) => line(`s${i}`, whole, i === 0 ? { pauses: [50_000, 51_000, 52_000] } : {}));
    expect(watchingFindings(often, window)).toEqual([]);
    // Who has not begun has not left.
    expect(
      watchingFindings(
        all(8, (i) => line(`s${i}`, i < 3 ? [] : whole)),
        window,
      ),
    ).toEqual([]);
  });
});

test('what is stored of a part is read as it was', () => {
  const { studentId: _, ...part } = line(
    'a',
    [
      [10_000, 20_000],
      [15_000, 30_000],
    ],
    {
      pauses: [12_000],
      rewinds: [[20_000, 15_000]],
      blockMs: { 10000: 4_000 },
    },
  );
  expect(decodeWatching('a', encodeWatching({ ...part, positionMs: 0 }))).toEqual({ studentId: 'a', ...part });
  const bare = { coverage: [], furthestMs: 10_000, positionMs: 10_000 };
  expect(decodeWatching('b', encodeWatching(bare))).toEqual(line('b', []));
});

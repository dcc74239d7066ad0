import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { GradebookCell, GradebookColumn } from './gradebook.ts';
import { defaultRules, type GradebookRules, isWeightless } from './gradebook-rules.ts';
import { nameOnScale, usualScales } from './grading-scale.ts';
import { totalOf } from './total.ts';

const column = (index: number, category = '', isExtra = false): GradebookColumn => ({
  ...{ assignmentId: `a${index}`, title: `Lesson ${index}`, category, isExtra, worth: 1_000, day: '2026-11-01' },
});
const points = (earned: number, possible = 10, more: Partial<GradebookCell> = {}): GradebookCell => ({
  ...{ state: 'handedIn', earned: Math.round(earned * 100), possible: possible * 100 },
  ...more,
});
const missing: GradebookCell = { state: 'notBegun', earned: 0, possible: 1_000, isMissing: true };

const weights = (...all: [name: string, weight: number, dropLowest?: number][]): GradebookRules => ({
  ...{ ...defaultRules, byWeight: true, decimals: 2 },
  categories: all.map(([name, weight, dropLowest = 0]) => ({ name, weight: weight * 100, dropLowest })),
});
const usesOf = (total: ReturnType<typeof totalOf>) =>
  total.categories
    .flatMap(({ cells }) => cells)
    .toSorted((a, b) => a.index - b.index)
    .map(({ use }) => use);

describe('a total, against tables worked by hand in fractions', () => {
  const columns = [column(0, 'Homework'), column(1, 'Homework'), column(2, 'Homework'), column(3, 'Projects')];

  test('weights of 40 and 60: 7/10, 1/3 and 8/10 under one, 5/6 under the other', () => {
    const cells = [points(7), points(1, 3), points(8), points(5, 6)];
    // (7 + 1 + 8) / (10 + 3 + 10) = 16/23; 2/5 × 16/23 + 3/5 × 5/6 = 32/115 + 1/2 = 179/230 = 77.826… %
    const total = totalOf(cells, columns, weights(['Homework', 40], ['Projects', 60]));
    expect(total).toMatchObject({ percent: 77.83, weightSum: 10_000, name: null });
    expect(total.categories[0]).toMatchObject({ name: 'Homework', earned: 1_600, possible: 2_300 });
  });

  test('the lowest of the first left out: 1/3 goes, 15/20 stays', () => {
    const cells = [points(7), points(1, 3), points(8), points(5, 6)];
    // 2/5 × 3/4 + 3/5 × 5/6 = 3/10 + 1/2 = 4/5
    const total = totalOf(cells, columns, weights(['Homework', 40, 1], ['Projects', 60]));
    expect(total.percent).toBe(80);
    expect(usesOf(total)).toEqual(['counted', 'dropped', 'counted', 'counted']);
  });

  test('a category in which nothing counts yet leaves the others their weight', () => {
    const total = totalOf([points(7), null, points(8), null], columns, weights(['Homework', 40], ['Projects', 60]));
    expect(total).toMatchObject({ percent: 75, weightSum: 4_000 });
  });

  test('points alike: 21/29 of all, whatever they stand under', () => {
    const total = totalOf([points(7), points(1, 3), points(8), points(5, 6)], columns, {
      ...defaultRules,
      decimals: 1,
    });
    // 21/29 = 72.413… %
    expect(total).toMatchObject({ percent: 72.4, weightSum: 0 });
  });
});

describe('what goes into a total', () => {
  const columns = [column(0), column(1), column(2), column(3, '', true)];
  const one = (cell: GradebookCell | null, rules: Partial<GradebookRules> = {}) =>
    totalOf([points(6), cell], columns, { ...defaultRules, ...rules });

  test('what is missing counts as zero or not at all; what is under way past its date counts as far as it is', () => {
    expect(one(missing).percent).toBe(60);
    expect(one(missing, { missing: 'zero' }).percent).toBe(30);
    const halfway = points(4, 10, { state: 'underWay', isMissing: true });
    expect(one(halfway).percent).toBe(60);
    expect(one(halfway, { missing: 'zero' }).percent).toBe(50);
  });

  test('what is excused, not due or all unmarked is left out; of what is marked in part, that part counts', () => {
    expect(usesOf(one({ ...missing, isExcused: true }, { missing: 'zero' }))).toEqual(['counted', 'excused']);
    expect(usesOf(one(points(3, 10, { state: 'underWay' }), { missing: 'zero' }))).toEqual(['counted', 'notYet']);
    expect(usesOf(one(points(0, 0, { waiting: 2 })))).toEqual(['counted', 'waiting']);
    expect(usesOf(one(points(0, 0)))).toEqual(['counted', 'noPoints']);
    expect(one(points(2, 2, { waiting: 1 })).percent).toBe(67);
  });

  test('extras add what they earned, never what could be had; or nothing', () => {
    const cells = [points(6), null, null, points(5)];
    expect(totalOf(cells, columns, defaultRules).percent).toBe(110);
    expect(totalOf(cells, columns, { ...defaultRules, extras: 'notCounted' }).percent).toBe(60);
    const begun = [points(6), null, null, points(5, 10, { state: 'underWay', isMissing: true })];
    expect(totalOf(begun, columns, { ...defaultRules, missing: 'zero' }).percent).toBe(60);
  });

  test('extras alone come to nothing', () => {
    expect(totalOf([null, null, null, points(5)], columns, defaultRules).percent).toBeNull();
  });

  test('a number given by hand counts in place of what was earned, also where nothing was handed in', () => {
    const override = { earned: 900, reason: 'Told me in person', by: 'Ms. Adaeze Lindqvist', at: 0 };
    expect(one(points(2, 10, { override })).percent).toBe(75);
    expect(one({ ...missing, override }).percent).toBe(75);
    expect(one({ ...missing, override, isExcused: true }).percent).toBe(60);
    // Of what waits to be marked as well: (6 + 9) / (10 + 20).
    expect(one(points(2, 10, { waiting: 1, whole: 2_000, override })).percent).toBe(50);
  });

  test('at least one is kept; of equally low ones the one that could earn more is left out', () => {
    const rules: GradebookRules = { ...defaultRules, categories: [{ name: '', weight: 0, dropLowest: 9 }] };
    expect(usesOf(totalOf([points(3), points(9), points(5)], columns, rules))).toEqual([
      'dropped',
      'counted',
      'dropped',
    ]);
    const twoAlike: GradebookRules = { ...rules, categories: [{ name: '', weight: 0, dropLowest: 1 }] };
    const total = totalOf([points(2, 10), points(4, 20), points(9)], columns, twoAlike);
    expect(usesOf(total)).toEqual(['counted', 'dropped', 'counted']);
  });

  test('weights of zero in every category: nothing is said, and why can be', () => {
    const rules = weights(['', 0]);
    expect(totalOf([points(6)], columns, rules)).toMatchObject({ percent: null, name: null, weightSum: 0 });
    expect(isWeightless(rules)).toBe(true);
  });

  test('a heading that no rule names is shown, and weighs nothing', () => {
    const total = totalOf([points(6), points(1)], [column(0, 'Homework'), column(1, 'New')], weights(['Homework', 1]));
    expect(total).toMatchObject({ percent: 60, categories: [{ name: 'Homework' }, { name: 'New', weight: 0 }] });
  });
});

test('a third stays a third: no sum of rounded shares goes astray', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 97 }), (count, weight) => {
      const columns = Array.from({ length: count }, (_, i) => column(i, `c${i}`));
      const rules = weights(...columns.map(({ category }): [string, number] => [category, weight]));
      expect(
        totalOf(
          columns.map(() => points(1, 3)),
          columns,
          rules,
        ).percent,
      ).toBe(33.33);
      expect(
        totalOf(
          columns.map(() => points(3, 3)),
          columns,
          rules,
        ).percent,
      ).toBe(100);
    }),
  );
});

test('dropping never makes a total of one heading lower, and each share stays between the least and the best', () => {
  const cell = fc.record({ earned: fc.integer({ min: 0, max: 1_000 }), possible: fc.constant(1_000) });
  fc.assert(
    fc.property(fc.array(cell, { minLength: 1, maxLength: 12 }), fc.integer({ min: 0, max: 4 }), (all, dropLowest) => {
      const cells = all.map((one): GradebookCell => ({ state: 'handedIn', ...one }));
      const columns = cells.map((_, index) => column(index));
      const percentOf = (drop: number) =>
        totalOf(cells, columns, { ...defaultRules, categories: [{ name: '', weight: 0, dropLowest: drop }] }).percent ??
        -1;
      expect(percentOf(dropLowest)).toBeGreaterThanOrEqual(percentOf(0));
      expect(percentOf(dropLowest)).toBeLessThanOrEqual(Math.round(Math.max(...all.map(({ earned }) => earned)) / 10));
    }),
  );
});

describe('scales', () => {
  test('a name from its percentage on, none below the last; what is over 100 has the highest', () => {
    const { lettersToF } = usualScales;
    expect([100, 90, 89.99, 60, 59, 0, 120].map((percent) => nameOnScale(percent, lettersToF))).toEqual([
      'A',
      'A',
      'B',
      'D',
      'F',
      'F',
      'A',
    ]);
    expect(nameOnScale(20, { kind: 'steps', steps: [{ name: 'Secure', from: 5_000 }] })).toBeNull();
  });

  test('numbers between two ends, halves up', () => {
    expect(nameOnScale(72.5, usualScales.zeroToTwenty)).toBe('14.5');
    expect(nameOnScale(0, usualScales.upToSix)).toBe('1.0');
    // 1 + 5 × 0.73 = 4.65
    expect(nameOnScale(73, usualScales.upToSix)).toBe('4.7');
    expect(nameOnScale(130, usualScales.zeroToTen)).toBe('10.0');
    expect(nameOnScale(50, { kind: 'numbers', at0: 6, at100: 1, decimals: 1 })).toBe('3.5');
  });

  test('the name goes by what is shown: 89.5 is 90 where no decimals are', () => {
    const rules: GradebookRules = { ...defaultRules, scale: usualScales.lettersToF };
    const total = totalOf([points(8.95)], [column(0)], rules);
    expect(total).toMatchObject({ percent: 90, name: 'A' });
    expect(totalOf([points(8.95)], [column(0)], { ...rules, decimals: 1 })).toMatchObject({ percent: 89.5, name: 'B' });
  });
});

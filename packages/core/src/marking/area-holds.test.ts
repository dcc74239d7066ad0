import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { everyKind } from '../examples/every-kind.ts';
import { areaHolds, areaMiddle } from './area-holds.ts';
import { kendallTau, markResponse } from './mark-response.ts';

const at = fc.integer({ min: 0, max: 100 });

test('a rectangle is the same as a polygon of its corners, edges and all', () => {
  fc.assert(
    fc.property(at, at, (x, y) => {
      const rect = areaHolds({ shape: 'rect', coords: [20, 30, 70, 60] }, x, y);
      const poly = areaHolds({ shape: 'poly', coords: [20, 30, 70, 30, 70, 60, 20, 60] }, x, y);
      expect(poly).toBe(rect);
    }),
  );
});

test('an ellipse holds what is within its half axes', () => {
  const ellipse = { shape: 'ellipse' as const, coords: [0, 0, 100, 50] };
  expect([areaHolds(ellipse, 50, 25), areaHolds(ellipse, 100, 25), areaHolds(ellipse, 50, 0)]).toEqual([
    true,
    true,
    true,
  ]);
  expect([areaHolds(ellipse, 1, 1), areaHolds(ellipse, 99, 49)]).toEqual([false, false]);
  expect(areaHolds({ shape: 'ellipse', coords: [5, 5, 5, 5] }, 5, 5)).toBe(false);
});

test('a polygon with a bay does not hold the bay', () => {
  const bay = { shape: 'poly' as const, coords: [0, 0, 100, 0, 100, 100, 50, 20, 0, 100] };
  expect(areaHolds(bay, 50, 80)).toBe(false);
  expect(areaHolds(bay, 50, 10)).toBe(true);
  // The middle of its box lies in the bay.
  const [x, y] = areaMiddle(bay);
  expect(areaHolds(bay, x, y)).toBe(true);
});

test('the middle of any polygon lies in it', () => {
  const coordinate = fc.integer({ min: 0, max: 10_000 });
  const corners = fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 12 });
  fc.assert(
    fc.property(corners, (points) => {
      const poly = { shape: 'poly' as const, coords: points.flat() };
      const [x, y] = areaMiddle(poly);
      const xs = points.map(([one]) => one);
      const ys = points.map(([, one]) => one);
      // Corners in one line have nothing inside.
      fc.pre(Math.max(...xs) > Math.min(...xs) + 1 && Math.max(...ys) > Math.min(...ys) + 1);
      const near = [-1e-6, 0, 1e-6].map((by) => areaHolds(poly, x + by, y));
      expect(near).toContain(true);
    }),
  );
});

/**
 * The example of map_response_point in the QTI best practices guide (a point on a map, one area), from memory: a point
 * inside the area earns its value, one outside earns the default, 0; and an area counts once, however many points lie
 * in it.
 */
describe('points on a picture (QTI map_response_point)', () => {
  const mark = (...points: [number, number][]) => markResponse(everyKind.selectPoint, { kind: 'points', points });
  test('inside, outside, twice inside the same', () => {
    expect(mark([1_500, 1_500])).toBe(200);
    expect(mark([9_900, 9_900])).toBe(0);
    expect(mark([1_500, 1_500], [1_600, 1_600])).toBe(200);
    expect(mark([1_500, 1_500], [7_500, 1_500])).toBe(400);
    expect(mark([1_500, 1_500], [5_000, 5_000])).toBe(0);
  });
});

test('rank correlation: one for the same order, minus one turned round, and by hand in between', () => {
  expect(kendallTau([0, 1, 2, 3])).toBe(1);
  expect(kendallTau([3, 2, 1, 0])).toBe(-1);
  // 0 2 1 3: five of six pairs stand right, one wrong.
  expect(kendallTau([0, 2, 1, 3])).toBeCloseTo(4 / 6, 12);
});

test('an order earns the share of pairs that are right', () => {
  const mark = (...itemIds: string[]) => markResponse(everyKind.order, { kind: 'order', itemIds });
  // Right: o4 o2 o3 o1. One neighbour swap leaves 5 of 6 pairs right.
  expect(mark('o4', 'o2', 'o3', 'o1')).toBe(400);
  expect(mark('o2', 'o4', 'o3', 'o1')).toBe(333);
  expect(mark('o1', 'o3', 'o2', 'o4')).toBe(0);
  expect(
    markResponse({ ...everyKind.order, scoring: 'exact' }, { kind: 'order', itemIds: ['o2', 'o4', 'o3', 'o1'] }),
  ).toBe(0);
});

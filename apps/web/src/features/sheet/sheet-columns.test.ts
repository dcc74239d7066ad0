import { expect, test } from 'vitest';
import { slotsOf, spansOf } from './sheet-columns.ts';

const stops = Array.from({ length: 10 }, (_, i) => ({ partTitle: i < 5 ? 'Film' : 'Text' }));
const gap = (columns: number) => ({ kind: 'gap' as const, columns });
const stop = (column: number) => ({ kind: 'stop' as const, column });

test('what is not drawn leaves its room before, between and behind what is; a cell far away draws nothing between', () => {
  expect(slotsOf([3, 4, 5, 8], 10)).toEqual([gap(3), stop(3), stop(4), stop(5), gap(2), stop(8), gap(1)]);
  expect(slotsOf([0, 1], 2)).toEqual([stop(0), stop(1)]);
  expect(slotsOf([], 4)).toEqual([gap(4)]);
});

test('parts stand over those of their stops that are drawn beside each other', () => {
  expect(spansOf(slotsOf([3, 4, 5, 8], 10), stops)).toEqual([
    { partTitle: null, count: 1 },
    { partTitle: 'Film', count: 2 },
    { partTitle: 'Text', count: 1 },
    { partTitle: null, count: 1 },
    { partTitle: 'Text', count: 1 },
    { partTitle: null, count: 1 },
  ]);
});

import { expect, test } from 'vitest';
import { slotsOf, spansOf } from './slots.ts';

const titles = Array.from({ length: 10 }, (_, i) => (i < 5 ? 'Film' : 'Text'));
const gap = (columns: number) => ({ kind: 'gap' as const, columns });
const drawn = (column: number) => ({ kind: 'column' as const, column });

test('what is not drawn leaves its room before, between and behind what is; a cell far away draws nothing between', () => {
  expect(slotsOf([3, 4, 5, 8], 10)).toEqual([gap(3), drawn(3), drawn(4), drawn(5), gap(2), drawn(8), gap(1)]);
  expect(slotsOf([0, 1], 2)).toEqual([drawn(0), drawn(1)]);
  expect(slotsOf([], 4)).toEqual([gap(4)]);
});

test('titles stand over those of their columns that are drawn beside each other', () => {
  expect(spansOf(slotsOf([3, 4, 5, 8], 10), titles)).toEqual([
    { title: null, count: 1 },
    { title: 'Film', count: 2 },
    { title: 'Text', count: 1 },
    { title: null, count: 1 },
    { title: 'Text', count: 1 },
    { title: null, count: 1 },
  ]);
});

import { expect, test } from 'vitest';
import { wholeWalk } from '../test/bridge-lesson.ts';
import { rowAfter } from '../test/row-after.ts';
import { decodeSheetRow, encodeSheetRow } from './sheet-row.ts';

test('a row along the walk, column by column', () => {
  expect(rowAfter(3).marks.map((mark) => mark.state)).toEqual(['open', 'ahead', 'ahead']);
  expect(rowAfter(6).marks.map((mark) => mark.state)).toEqual(['full', 'open', 'ahead']);
  const done = rowAfter(wholeWalk.length);
  expect(done.marks.map((mark) => mark.state)).toEqual(['full', 'noted', 'waiting']);
  expect(done).toMatchObject({ metShare: 1, earned: 200, possible: 900, progress: 1, timeSpentMs: 12 * 60_000 });
});

test('what is stored is what was computed', () => {
  for (const count of [0, 3, wholeWalk.length]) {
    const row = rowAfter(count);
    expect(decodeSheetRow(encodeSheetRow(row))).toEqual(row);
  }
});

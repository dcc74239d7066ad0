import { expect, test } from 'vitest';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { bridgeLesson, wholeWalk } from '../test/bridge-lesson.ts';
import { rowAfter } from '../test/row-after.ts';
import { decodeSheetRow, encodeSheetRow, sheetRowOf } from './sheet-row.ts';

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

test('who is put into a group is given its parts, and the row says so at once', () => {
  const [part] = bridgeLesson.parts;
  if (!part) throw new Error('no part');
  const stops = part.stops.map((stop) => ({ ...stop, id: `extra-${stop.id}` }));
  const lesson = {
    ...bridgeLesson,
    parts: [...bridgeLesson.parts, { ...part, id: 'extra', stops, onlyFor: ['Blue'] }],
  };
  const begun = beginAttempt({ begunAt: 1_000_000, secret: 'of a test' });
  const before = sheetRowOf(lesson, begun);
  // Nothing was met and no stop reached: only the group is another.
  const after = sheetRowOf(lesson, { ...begun, groups: ['Blue'] });
  expect(after.possible).toBe(2 * before.possible);
  expect(sheetRowOf(lesson, begun)).toEqual(before);
});

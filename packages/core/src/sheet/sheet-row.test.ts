import { expect, test } from 'vitest';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { bridgeLesson, wholeWalk } from '../test/bridge-lesson.ts';
import { rowAfter } from '../test/row-after.ts';
import { alignSheetRow, decodeSheetRow, encodeSheetRow, sheetRowOf } from './sheet-row.ts';
import type { StopMark } from './stop-mark.ts';

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

test('a row of another edition stands under the columns of all others, and loses no points', () => {
  const mark = (earned: number): StopMark => ({ state: 'full', earned, possible: earned });
  const row = { ...decodeSheetRow(encodeSheetRow(rowAfter(1))), marks: [mark(1), mark(2), mark(4)] };
  const aligned = alignSheetRow(row, ['a', 'b', 'gone'], ['b', 'new', 'a']);
  expect(aligned.marks).toEqual([mark(2), { state: 'ahead', earned: 0, possible: 0 }, mark(1), mark(4)]);
  expect(decodeSheetRow(encodeSheetRow(aligned))).toMatchObject({ earned: 7, possible: 7 });
});

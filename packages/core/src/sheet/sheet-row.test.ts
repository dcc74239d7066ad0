import { expect, test } from 'vitest';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { takeInAll } from '../reducer/take-in.ts';
import { bridgeLesson, createSitting, wholeWalk } from '../test/bridge-lesson.ts';
import { decodeSheetRow, encodeSheetRow, sheetRowOf } from './sheet-row.ts';

const startAt = 1_000_000;
const rowAfter = (count: number, ...more: Parameters<ReturnType<typeof createSitting>>[0][]) => {
  const event = createSitting('a', startAt);
  const events = [...wholeWalk.slice(0, count), ...more].map((body) => event(body));
  return sheetRowOf(
    bridgeLesson,
    takeInAll(
      createContext(bridgeLesson, defaultTerms),
      beginAttempt({ begunAt: startAt, secret: 'of a test' }),
      events,
    ),
  );
};

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

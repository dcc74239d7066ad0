import { expect, test } from 'vitest';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { takeInAll } from '../reducer/take-in.ts';
import { bridgeLesson, createSitting, wholeWalk } from '../test/bridge-lesson.ts';
import { progressOf } from './progress.ts';

const progressAfter = (count: number) => {
  const event = createSitting('a');
  const state = takeInAll(
    createContext(bridgeLesson, defaultTerms),
    beginAttempt({ begunAt: 1_000_000, secret: 'of a test' }),
    wholeWalk.slice(0, count).map((body) => event(body)),
  );
  return progressOf(bridgeLesson, state);
};

/** 40 s of film, a pick of 45 s, a pause of 15 s, a pick and a written answer of 225 s: 325 s in all. */
test.each([
  ['begun', 1, 0],
  ['at the first stop', 3, 10 / 325],
  ['its answer given', 4, 55 / 325],
  ['the pause noted', 7, 80 / 325],
  ['all answered', 11, 315 / 325],
  ['the end met', 12, 1],
  ['handed in', 13, 1],
])('%s', (_, count, expected) => expect(progressAfter(count)).toBeCloseTo(expected, 10));

test('a lesson of nothing is done', () => {
  expect(progressOf({ parts: [] }, beginAttempt({ begunAt: 0, secret: 'of a test' }))).toBe(1);
});

import { expect, test } from 'vitest';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { takeIn } from '../reducer/take-in.ts';
import { bridgeLesson, createSitting, wholeWalk } from '../test/bridge-lesson.ts';
import { givenAnswersSince } from './given-answers.ts';

const context = createContext(bridgeLesson, defaultTerms);

test('what was given is told once it was given, with how long its stop took', () => {
  const event = createSitting('a', 1_000_000);
  let state = beginAttempt({ begunAt: 1_000_000, secret: 'of a test' });
  const told: string[] = [];
  for (const body of wholeWalk) {
    const before = state;
    state = takeIn(context, state, event(body)).state;
    for (const [stopId, answers] of givenAnswersSince(bridgeLesson, before, state))
      told.push(`${body.type} ${stopId}: ${answers.length}`);
  }
  const all = [...givenAnswersSince(bridgeLesson, null, state).values()].flat();
  expect(
    all.map(({ points, possible, tries, hinted, confidence }) => [points, possible, tries, hinted, confidence]),
  ).toEqual([
    [0, 300, 1, false, null],
    [null, 400, 1, false, null],
    [200, 200, 1, false, null],
  ]);
  expect(all.every(({ stopSpentMs }) => stopSpentMs !== null && stopSpentMs > 0)).toBe(true);
  // A stop that opens has changed, and has no answer yet.
  expect(told.filter((line) => line.startsWith('reachedStop')).every((line) => line.endsWith(': 0'))).toBe(true);
  expect(told.filter((line) => line.startsWith('answered')).every((line) => !line.endsWith(': 0'))).toBe(true);
});

test('time at a stop is the time it was open, also when it is left and met again', () => {
  const event = createSitting('a', 1_000_000);
  const skipping = createContext(bridgeLesson, { ...defaultTerms, skipping: true });
  const stopId = 's-one';
  let state = beginAttempt({ begunAt: 1_000_000, secret: 'of a test' });
  for (const body of wholeWalk.slice(0, 2)) state = takeIn(skipping, state, event(body)).state;
  for (const type of ['reachedStop', 'passedStop', 'reachedStop', 'passedStop'] as const)
    state = takeIn(skipping, state, event({ type, stopId })).state;
  const spent = state.stops[stopId];
  expect(spent?.phase).toBe('passed');
  expect(spent?.spentMs).toBeLessThan(state.timeSpentMs);
  expect(spent?.spentMs).toBe(120_000);
});

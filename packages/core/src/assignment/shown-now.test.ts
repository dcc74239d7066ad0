import { describe, expect, test } from 'vitest';
import { allShown, shownNow, tellsAtOnce } from './shown-now.ts';

const moment = { handedInAt: null, dueAt: 100, releasedAt: null, now: 50 };

describe('when students are shown how it went', () => {
  test('everything at once where nothing is said', () => {
    expect(shownNow(undefined, moment)).toEqual(allShown);
    expect(shownNow({}, moment)).toEqual(allShown);
  });
  test.each([
    ['atHandIn', {}, false],
    ['atHandIn', { handedInAt: 40 }, true],
    // Handed in again after it was taken back by the student: what was shown is not, while it can be worked on.
    ['atHandIn', { handedInAt: null, now: 500 }, false],
    ['afterDue', { handedInAt: 40 }, false],
    ['afterDue', { now: 100 }, false],
    ['afterDue', { now: 101 }, true],
    ['afterDue', { dueAt: null, handedInAt: 40 }, true],
    ['afterDue', { dueAt: null }, false],
    ['whenReleased', { handedInAt: 40, now: 500 }, false],
    ['whenReleased', { releasedAt: 45 }, true],
    ['afterDue', { releasedAt: 45 }, true],
  ] as const)('%s, %j: %s', (points, differs, isShown) => {
    expect(shownNow({ points }, { ...moment, ...differs })).toEqual({ points: isShown, feedback: true, keys: true });
  });
});

test.each([
  [undefined, true],
  [{ feedback: 'whenReleased' }, true],
  [{ points: 'atHandIn' }, false],
  [{ keys: 'afterDue' }, false],
] as const)('%j tells at once how an answer went: %s', (shown, tells) => {
  expect(tellsAtOnce(shown)).toBe(tells);
});

import { expect, test } from 'vitest';
import { defaultTerms, type Terms } from '../attempt/terms.ts';
import { fixedTerms } from './fixed-terms.ts';

const changed = (change: Partial<Terms>) => ({ ...defaultTerms, ...change });

test.each([
  [{ skipping: true }, ['skipping']],
  [{ rewindAtStops: false, turningBack: true }, ['rewindAtStops', 'turningBack']],
  [{ questionsWhenReached: true }, ['questionsWhenReached']],
  [{ shown: { points: 'afterDue' } }, ['shown']],
  [{ late: { kind: 'refused' } }, ['late']],
  [{ attempts: 1 }, ['attempts']],
  // These move no ground.
  [{ attempts: 5, counted: 'mean', maxRate: 1, turningBack: false }, []],
  [{ shown: { feedback: 'whenReleased' } }, []],
  [{ late: { kind: 'worthLess', percentEachDay: 5, maxPercent: 20, graceMinutes: 0 } }, []],
  [{ worth: 2_000, category: 'Homework', isExtra: true, hiddenUntilOpen: true }, []],
] as const)('%j, where somebody has begun twice', (change, fixed) => {
  expect(fixedTerms(changed({ attempts: 3 }), { ...changed({ attempts: 3 }), ...change } as Terms, 2)).toEqual(fixed);
});

test('before anybody has begun, everything can be changed', () => {
  expect(fixedTerms(defaultTerms, changed({ skipping: true, attempts: 1, late: { kind: 'refused' } }), 0)).toEqual([]);
});

test('when it is shown may still change among what comes later', () => {
  const before = changed({ shown: { points: 'afterDue', keys: 'afterDue' } });
  expect(fixedTerms(before, { ...before, shown: { points: 'atHandIn', keys: 'whenReleased' } }, 1)).toEqual([]);
});

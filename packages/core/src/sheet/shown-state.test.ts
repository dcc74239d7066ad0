import { expect, test } from 'vitest';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { takeInAll } from '../reducer/take-in.ts';
import { bridgeLesson, createSitting, wholeWalk } from '../test/bridge-lesson.ts';
import { shownStateOf } from './shown-state.ts';

const event = createSitting('a', 1_000_000);
const state = takeInAll(
  createContext(bridgeLesson, defaultTerms),
  beginAttempt({ begunAt: 1_000_000, secret: 'of a test' }),
  wholeWalk.map((body) => event(body)),
);

test('what is shown is what the state holds, and no more than is named', () => {
  const shown = shownStateOf(state);
  expect(shown.stops).toEqual(state.stops);
  expect([shown.parts, shown.spells, shown.spentIn]).toEqual([state.parts, state.spells, state.spentIn]);
  expect(JSON.stringify(shown)).not.toContain('of a test');
  expect(Object.keys(shown)).toEqual(['parts', 'stops', 'spells', 'spentIn', 'discrepancies']);
});

test('what a state gains is shown to nobody until it is named', () => {
  const [stopId, stop] = Object.entries(state.stops)[0] as [string, (typeof state.stops)[string]];
  const later = { ...state, whispered: 'yes', stops: { ...state.stops, [stopId]: { ...stop, whispered: 'yes' } } };
  expect(JSON.stringify(shownStateOf(later))).not.toContain('whispered');
});

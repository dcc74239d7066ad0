import { expect, test } from 'vitest';
import type { Answer, StopState } from '../attempt/attempt-state.ts';
import { pickOne, written } from '../test/bridge-lesson.ts';
import { stopMarkOf } from './stop-mark.ts';

const stop = { id: 's', kind: 'checkpoint', atMs: 0, required: true, questions: [pickOne, written] } as const;
const pause = { id: 'p', kind: 'pause', atMs: 0 } as const;
const answer = (points: number | null): Answer => ({
  response: { kind: 'extendedText', text: '' },
  points,
  markedBy: null,
  comment: null,
});
const state = (phase: StopState['phase'], one?: number | null, two?: number | null): StopState => ({
  phase,
  openedAt: 0,
  openedAtSpentMs: 0,
  settledAt: null,
  drafts: {},
  answers: one === undefined || two === undefined ? {} : { [pickOne.id]: answer(one), [written.id]: answer(two) },
});

test.each([
  ['ahead', undefined],
  ['open', state('open')],
  ['passed', state('passed')],
  ['waiting', state('answered', 200, null)],
  ['waiting', state('answered', null, null)],
  ['full', state('answered', 200, 400)],
  ['partial', state('answered', 200, 0)],
  ['partial', state('answered', 0, 50)],
  ['none', state('answered', 0, 0)],
] as const)('a checkpoint is %s', (expected, given) => {
  expect(stopMarkOf(stop, given).state).toBe(expected);
});

test('what was earned so far counts while the rest waits', () => {
  expect(stopMarkOf(stop, state('answered', 200, null))).toEqual({ state: 'waiting', earned: 200, possible: 600 });
});

test('what carries no points is noted', () => {
  const opinion = { ...stop, questions: [{ ...pickOne, points: 0 }] };
  expect(stopMarkOf(opinion, { ...state('answered'), answers: { [pickOne.id]: answer(0) } }).state).toBe('noted');
  expect(stopMarkOf(pause, state('acknowledged'))).toEqual({ state: 'noted', earned: 0, possible: 0 });
});

import { beginAttempt, defaultTerms, type LearnerEventBody } from '@semita/core/attempt';
import type { Part } from '@semita/core/lesson';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { createRehearsalSession } from './rehearsal-session.ts';

beforeEach(() => {
  vi.useFakeTimers({ now: 1_000_000 });
});
afterEach(() => {
  vi.useRealTimers();
});

function rehearse() {
  let n = 0;
  const session = createRehearsalSession(bridgeLesson, defaultTerms, () => `id-${n++}`);
  const walk = (bodies: readonly LearnerEventBody[]) =>
    bodies.map((body) => {
      vi.advanceTimersByTime(20_000);
      return session.record(body);
    });
  return { session, walk };
}

test('a teacher walks as a student would, is marked at once, and nothing is sent', () => {
  const fetched = vi.spyOn(globalThis, 'fetch');
  const { session, walk } = rehearse();
  expect(new Set(walk(wholeWalk))).toEqual(new Set(['taken']));
  const { state, results, link } = session.getSnapshot();
  expect(link).toBe('rehearsal');
  expect(state.handedInAt).not.toBeNull();
  expect(results['q-one']?.points).toBe(200);
  expect(results['q-written']?.points).toBeNull();
  expect(fetched).not.toHaveBeenCalled();
});

test('the same gates hold', () => {
  const { session, walk } = rehearse();
  expect(walk([wholeWalk[3] as LearnerEventBody, { type: 'handedIn' }])).toEqual(['refused', 'refused']);
  expect(session.getSnapshot().state.stops).toEqual({});
});

test('what is shown holds no keys before an answer is given', () => {
  const { session, walk } = rehearse();
  walk(wholeWalk.slice(0, 3));
  expect(JSON.stringify(session.getSnapshot())).not.toMatch(/SECRET|"right":/);
});

test('goes on under other terms where another rehearsal stands', () => {
  const { session, walk } = rehearse();
  walk(wholeWalk.slice(0, 2));
  const { state } = session.getSnapshot();
  const freely = createRehearsalSession(bridgeLesson, { ...defaultTerms, skipping: true }, () => 'other', state);
  expect(freely.record({ type: 'handedIn' })).toBe('taken');
  expect(freely.getSnapshot().state.parts).toEqual(state.parts);
});

test('walks as a student of a group', () => {
  const [film] = bridgeLesson.parts as [Part];
  const parts = [film, { ...film, id: 'extra', stops: [], onlyFor: ['Early birds'] }];
  const shownTo = (groups: readonly string[]) =>
    createRehearsalSession({ ...bridgeLesson, parts }, defaultTerms, () => 'id', {
      ...beginAttempt({ begunAt: 0, secret: 'of a test' }),
      groups,
    }).getSnapshot().lesson.parts.length;
  expect([shownTo([]), shownTo(['Early birds'])]).toEqual([1, 2]);
});

test('listeners hear of what was taken, and not of what was refused', () => {
  const { session, walk } = rehearse();
  const heard = vi.fn();
  const leave = session.subscribe(heard);
  walk([{ type: 'handedIn' }]);
  expect(heard).not.toHaveBeenCalled();
  walk(wholeWalk.slice(0, 1));
  expect(heard).toHaveBeenCalledTimes(1);
  leave();
  walk(wholeWalk.slice(1, 2));
  expect(heard).toHaveBeenCalledTimes(1);
});

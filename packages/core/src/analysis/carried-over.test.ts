import { expect, test } from 'vitest';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms } from '../attempt/terms.ts';
import type { Lesson } from '../lesson/lesson.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { replay } from '../reducer/take-in.ts';
import { bridgeLesson, createSitting, wholeWalk } from '../test/bridge-lesson.ts';
import { carriedOver } from './carried-over.ts';

const event = createSitting('a');
const log = wholeWalk.map((body) => event(body));
const walked = (lesson: Lesson) =>
  replay(createContext(lesson, defaultTerms), { ...beginAttempt({ begunAt: 1_000_000, secret: 's' }) }, log);
const withStops = (change: (stops: Lesson['parts'][0]['stops']) => Lesson['parts'][0]['stops']): Lesson => ({
  ...bridgeLesson,
  parts: bridgeLesson.parts.map((part) => ({ ...part, stops: change(part.stops) })),
});
const before = walked(bridgeLesson);

test('of the same lesson, and of one with other words, everything is carried over', () => {
  expect(carriedOver(before, walked(bridgeLesson))).toEqual({ carried: 3, lost: [] });
  const reworded = withStops((stops) =>
    stops.map((stop) =>
      stop.kind === 'checkpoint'
        ? { ...stop, questions: stop.questions.map((one) => ({ ...one, stem: `${one.stem} (corrected)` })) }
        : stop,
    ),
  );
  expect(carriedOver(before, walked(reworded))).toEqual({ carried: 3, lost: [] });
});

test('a question that is gone loses its answer; a stop that came in between loses what lies behind it', () => {
  const without = withStops((stops) => stops.filter(({ id }) => id !== 's-one'));
  expect(carriedOver(before, walked(without))).toEqual({ carried: 2, lost: ['q-one'] });
  const between = withStops((stops) => [
    ...stops,
    { ...(stops.find(({ id }) => id === 's-one') as (typeof stops)[0]), id: 's-new', atMs: 25_000 },
  ]);
  const after = walked(between);
  expect(carriedOver(before, after)).toEqual({ carried: 1, lost: ['q-several', 'q-written'] });
  expect(after.handedInAt).toBe(null);
  // And back again nothing is missing.
  expect(walked(bridgeLesson)).toEqual(before);
});

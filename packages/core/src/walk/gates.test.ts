import { describe, expect, test } from 'vitest';
import type { LearnerEventBody } from '../attempt/attempt-event.ts';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms, type Terms } from '../attempt/terms.ts';
import type { Lesson, Part } from '../lesson/lesson.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { takeInAll } from '../reducer/take-in.ts';
import { bridgeLesson, createSitting, wholeWalk } from '../test/bridge-lesson.ts';
import {
  canHandIn,
  findOpenStop,
  isMaterialLocked,
  isPartFinished,
  isPartOpen,
  mayPass,
  playLimitMs,
  seekLimitMs,
} from './gates.ts';
import { partStateOf } from './settled.ts';

const clip = bridgeLesson.parts[0] as Part;
const skipping: Terms = { ...defaultTerms, skipping: true };

/** The state after some of the whole walk (10 s to 50 s, stops at 20, 30 and 40 s), and what else was done. */
function walkTo(
  count: number,
  { lesson = bridgeLesson as Lesson, terms = defaultTerms, more = [] as LearnerEventBody[] } = {},
) {
  const event = createSitting('sitting');
  const context = createContext(lesson, terms);
  const events = [...wholeWalk.slice(0, count), ...more].map((body) => event(body));
  return {
    context,
    state: takeInAll(context, beginAttempt({ begunAt: 1_000_000, secret: 'of a test' }), events),
    terms,
  };
}

describe('with skipping off', () => {
  test.each([
    ['at the beginning', 1, 20_000, 10_000],
    ['at the first stop', 3, 20_000, 20_000],
    ['after its answer', 4, 30_000, 20_000],
    ['at the pause', 6, 30_000, 30_000],
    ['after the last answer', 11, 50_000, 40_000],
    ['at the end', 12, 50_000, 50_000],
  ])('%s: how far one may play, and jump', (_, count, play, seek) => {
    const { state, terms } = walkTo(count);
    expect([playLimitMs(clip, state, { terms }), seekLimitMs(clip, state, { terms })]).toEqual([play, seek]);
  });

  test('going back does not take back what was reached', () => {
    const { state, terms } = walkTo(7, { more: [{ type: 'sought', partId: 'clip', fromMs: 30_000, toMs: 12_000 }] });
    expect(partStateOf(state, clip).positionMs).toBe(12_000);
    expect(seekLimitMs(clip, state, { terms })).toBe(30_000);
  });

  test('one may hand in when every stop is settled and the end is reached, once', () => {
    const may = (count: number) => {
      const { context, state } = walkTo(count);
      return [isPartFinished(clip, state), canHandIn(context, state)];
    };
    expect(may(10)).toEqual([false, false]);
    expect(may(11)).toEqual([false, false]);
    expect(may(12)).toEqual([true, true]);
    expect(may(13)).toEqual([true, false]);
  });
});

test('with skipping on, the whole window is free and handing in is always open', () => {
  const { context, state, terms } = walkTo(1, { terms: skipping });
  expect([playLimitMs(clip, state, { terms }), seekLimitMs(clip, state, { terms })]).toEqual([50_000, 50_000]);
  expect(canHandIn(context, state)).toBe(true);
});

test('the film is held at a question where the terms say so, and never at a pause', () => {
  const held: Terms = { ...defaultTerms, rewindAtStops: false };
  const lockedAfter = (count: number, terms: Terms) => {
    const { context, state } = walkTo(count, { terms });
    return isMaterialLocked(context, state);
  };
  expect(lockedAfter(3, held)).toBe(true);
  expect(lockedAfter(4, held)).toBe(false);
  expect(lockedAfter(6, held)).toBe(false);
  expect(lockedAfter(3, defaultTerms)).toBe(false);
});

test('only what is optional may be passed, unless the terms allow skipping', () => {
  const [checkpoint, , pause] = clip.stops;
  if (checkpoint?.kind !== 'checkpoint' || pause?.kind !== 'pause') throw new Error('not the lesson it should be');
  expect(mayPass(checkpoint, defaultTerms)).toBe(false);
  expect(mayPass({ ...checkpoint, required: false }, defaultTerms)).toBe(true);
  expect(mayPass(pause, defaultTerms)).toBe(false);
  expect([checkpoint, pause].map((stop) => mayPass(stop, skipping))).toEqual([true, true]);
});

test('the open stop is the one that opened last', () => {
  expect(findOpenStop(bridgeLesson, walkTo(3).state)?.stop.id).toBe('s-one');
  expect(findOpenStop(bridgeLesson, walkTo(4).state)).toBeUndefined();
});

describe('several parts', () => {
  const second: Part = { ...clip, id: 'second', stops: [] };
  const lesson: Lesson = { ...bridgeLesson, parts: [clip, second] };
  const isOpen = (count: number, terms = defaultTerms) => {
    const { context, state } = walkTo(count, { lesson, terms });
    return ['clip', 'second', 'nowhere'].map((id) => isPartOpen(context, state, id));
  };

  test('the next opens when the one before is finished', () => {
    expect(isOpen(11)).toEqual([true, false, false]);
    expect(isOpen(12)).toEqual([true, true, false]);
  });

  test('all are open where skipping is on', () => {
    expect(isOpen(0, skipping)).toEqual([true, true, false]);
  });

  test('handing in waits for the last of them', () => {
    const { context, state } = walkTo(12, { lesson });
    expect(canHandIn(context, state)).toBe(false);
  });
});

describe('with a class that is led', () => {
  const paced = (untilMs: number, { context, state }: ReturnType<typeof walkTo>, partId = clip.id) => {
    const led = { ...context, pace: { partId, untilMs } };
    return { led, state };
  };

  test('nobody goes further than the class, whatever they have settled', () => {
    for (const terms of [defaultTerms, skipping]) {
      const { led, state } = paced(25_000, walkTo(4, { terms }));
      expect([playLimitMs(clip, state, led), seekLimitMs(clip, state, led)]).toEqual([
        25_000,
        terms.skipping ? 25_000 : 20_000,
      ]);
    }
  });

  test('the pace opens no gate that is one’s own', () => {
    const { led, state } = paced(45_000, walkTo(1));
    expect(playLimitMs(clip, state, led)).toBe(20_000);
  });

  test('the parts behind are closed, and nobody hands in before the class is at the end', () => {
    const second = { ...clip, id: 'second', stops: [] };
    const lesson = { ...bridgeLesson, parts: [clip, second] };
    const walked = walkTo(0, { lesson, terms: skipping });
    const ahead = paced(50_000, walked);
    expect([isPartOpen(ahead.led, ahead.state, 'second'), canHandIn(ahead.led, ahead.state)]).toEqual([false, false]);
    const { led, state } = paced(50_000, walked, 'second');
    expect([isPartOpen(led, state, 'second'), canHandIn(led, state)]).toEqual([true, true]);
  });

  test('the reducer refuses what goes further', () => {
    const { context } = walkTo(0, { terms: skipping });
    const event = createSitting('led');
    const bodies: LearnerEventBody[] = [
      { type: 'opened' },
      { type: 'met', partId: 'clip', fromMs: 10_000, toMs: 30_000, rate: 1 },
    ];
    const led = { ...context, pace: { partId: 'clip', untilMs: 20_000 } };
    const begun = beginAttempt({ begunAt: 1_000_000, secret: 'of a test' });
    const state = takeInAll(
      led,
      begun,
      bodies.map((body) => event(body)),
    );
    expect(partStateOf(state, clip).furthestMs).toBeLessThanOrEqual(20_500);
  });
});

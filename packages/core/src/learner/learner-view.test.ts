import { expect, test } from 'vitest';
import { allShown } from '../assignment/shown-now.ts';
import { beginAttempt } from '../attempt/attempt-state.ts';
import { defaultTerms, type Terms } from '../attempt/terms.ts';
import type { Lesson } from '../lesson/lesson.ts';
import { materialsOf } from '../lesson/materials-of.ts';
import { createContext } from '../own-lesson/create-context.ts';
import { takeInAll } from '../reducer/take-in.ts';
import { bridgeLesson, createSitting, inset, narration, pickOne, wholeWalk } from '../test/bridge-lesson.ts';
import { learnerView } from './learner-view.ts';

const context = createContext(bridgeLesson, defaultTerms);
const viewAfter = (count: number) => {
  const event = createSitting('a');
  return learnerView(
    bridgeLesson,
    takeInAll(
      context,
      beginAttempt({ begunAt: 1_000_000, secret: 'of a test' }),
      wholeWalk.slice(0, count).map((body) => event(body)),
    ),
    {},
    allShown,
  );
};

test('before anything is answered no secret is in the view, nor any trace of a key', () => {
  const text = JSON.stringify(viewAfter(3));
  expect(text).not.toContain('SECRET');
  expect(text).not.toContain('"right"');
});

test('answering earns the feedback of the picked options of that question and nothing more', () => {
  const secretsAfter = (count: number) =>
    [...new Set(JSON.stringify(viewAfter(count)).match(/SECRET [a-z ]+/g))].sort();
  expect(secretsAfter(4)).toEqual(['SECRET feedback compression']);
  expect(secretsAfter(wholeWalk.length)).toEqual(['SECRET feedback compression', 'SECRET feedback tower']);
  expect(viewAfter(4).results).toEqual({
    'q-one': {
      points: 200,
      comment: null,
      answerKey: { kind: 'choice', optionIds: ['o-compression'] },
      verdicts: { 'o-compression': true },
      keyAreas: [],
      feedback: [{ optionId: 'o-compression', text: 'SECRET feedback compression' }],
      said: null,
      modelAnswer: null,
      voice: null,
      drawn: {},
      rubric: [],
      isFull: true,
      returned: false,
      mayTryAgain: false,
    },
  });
});

test('a teacher who marked is not named to the student', () => {
  const event = createSitting('a');
  const mark = createSitting('teacher', 9_000_000);
  const events = [
    ...wholeWalk.map((body) => event(body)),
    mark({ type: 'marked', stopId: 's-two', questionId: 'q-written', points: 300, by: 'teacher-17' }),
  ];
  const view = learnerView(
    bridgeLesson,
    takeInAll(context, beginAttempt({ begunAt: 1_000_000, secret: 'of a test' }), events),
    {},
    allShown,
  );
  expect(JSON.stringify(view)).not.toContain('teacher-17');
  expect(view.results['q-written']).toMatchObject({ points: 300 });
});

test('voices, pictures, insets and the way on reach the learner whole', () => {
  const directions = { materialId: 'voice', words: 'Listen first.' };
  const picture = { materialId: 'frame', alt: 'The beam' };
  const question = { ...pickOne, directions, picture };
  const lesson: Lesson = {
    ...bridgeLesson,
    directions,
    parts: bridgeLesson.parts.map((part) => ({
      ...part,
      ...{ directions, narrations: [narration], insets: [inset], nextLessonId: 'arches' },
      stops: [
        { id: 's', kind: 'checkpoint', atMs: 20_000, required: true, questions: [question] },
        { id: 'p', kind: 'pause', atMs: 30_000, note: '', voice: directions },
      ],
    })),
  };
  const seen = learnerView(lesson, beginAttempt({ begunAt: 0, secret: 'of a test' }), {}, allShown).lesson;
  expect(seen.directions).toEqual(directions);
  expect(seen.parts[0]).toMatchObject({ directions, narrations: [narration], insets: [inset], nextLessonId: 'arches' });
  expect(seen.parts[0]?.stops).toMatchObject([{ questions: [{ directions, picture }] }, { voice: directions }]);
  expect(JSON.stringify(seen)).not.toContain('SECRET');
  expect([...materialsOf(lesson)].sort()).toEqual(['film', 'frame', 'voice']);
});

test('stops come in the order of the film', () => {
  expect(viewAfter(0).lesson.parts[0]?.stops.map((stop) => stop.id)).toEqual(['s-one', 's-pause', 's-two']);
});

test('what waits to be shown is nowhere in the view', () => {
  const event = createSitting('a');
  const mark = createSitting('teacher', 9_000_000);
  const state = takeInAll(context, beginAttempt({ begunAt: 1_000_000, secret: 'of a test' }), [
    ...wholeWalk.map((body) => event(body)),
    mark({ type: 'marked', stopId: 's-two', questionId: 'q-written', points: 250, by: 'teacher-17' }),
    mark({ type: 'commented', stopId: 's-two', questionId: 'q-written', text: 'WORDS of a teacher', by: 'teacher-17' }),
  ]);
  const view = (shown: Partial<typeof allShown>) => learnerView(bridgeLesson, state, {}, { ...allShown, ...shown });
  const all = JSON.stringify(view({}));
  expect(all).toContain('SECRET feedback');
  expect(all).toContain('WORDS of a teacher');

  const nothing = view({ points: false, feedback: false, keys: false });
  expect(JSON.stringify(nothing)).not.toMatch(/SECRET|WORDS/);
  for (const [id, result] of Object.entries(nothing.results))
    expect([id, result]).toEqual([
      id,
      {
        ...{ points: null, comment: null, answerKey: null, verdicts: {}, keyAreas: [], feedback: [], said: null },
        ...{
          modelAnswer: null,
          voice: null,
          drawn: {},
          rubric: [],
          isFull: false,
          returned: false,
          mayTryAgain: false,
        },
      },
    ]);
  const answers = Object.values(nothing.state.stops).flatMap((stop) => Object.values(stop.answers));
  expect(answers.length).toBeGreaterThan(1);
  for (const { points, earned, comment, markedBy } of answers)
    expect({ points, earned, comment, markedBy }).toEqual({
      ...{ points: null, earned: undefined, comment: null, markedBy: null },
    });

  // One by one: points without words, keys without points.
  expect(JSON.stringify(view({ feedback: false }))).not.toMatch(/SECRET feedback|WORDS/);
  expect(view({ feedback: false }).results['q-written']?.points).toBe(250);
  expect(view({ points: false }).results['q-one']).toMatchObject({
    ...{ points: null, answerKey: { kind: 'choice', optionIds: ['o-compression'] } },
  });
});

test('where an answer tells nothing at once, nothing can be tried again', () => {
  const lesson: Lesson = {
    ...bridgeLesson,
    parts: bridgeLesson.parts.map((part) => ({
      ...part,
      stops: part.stops.map((stop) =>
        stop.kind === 'checkpoint'
          ? { ...stop, questions: stop.questions.map((one) => ({ ...one, tries: { count: 3, laterPercent: 50 } })) }
          : stop,
      ),
    })),
  };
  const triesOf = (terms: Terms) => JSON.stringify(createContext(lesson, terms).lesson).match(/"tries"/g)?.length ?? 0;
  expect(triesOf(defaultTerms)).toBeGreaterThan(0);
  expect(triesOf({ ...defaultTerms, shown: { points: 'atHandIn' } })).toBe(0);
});

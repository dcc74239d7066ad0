import { expect, test } from 'vitest';
import type { Lesson, Stop } from '../lesson/lesson.ts';
import type { ChoiceQuestion } from '../question/question.ts';
import { bridgeLesson, pickMultiple, pickOne } from '../test/bridge-lesson.ts';
import { checkLesson } from './check-lesson.ts';

const lengths = new Map([['film', 60_000]]);
const withStop = (stop: Stop): Lesson => ({
  ...bridgeLesson,
  parts: bridgeLesson.parts.map((part) => ({ ...part, stops: [stop] })),
});
const withQuestion = (question: Partial<ChoiceQuestion>) =>
  withStop({ id: 's', kind: 'checkpoint', atMs: 20_000, required: true, questions: [{ ...pickOne, ...question }] });
const codes = (lesson: Lesson) => checkLesson(lesson, lengths).map((fault) => fault.code);

test('a whole lesson has no faults', () => expect(checkLesson(bridgeLesson, lengths)).toEqual([]));

test('faults lead to the place that would mend them', () => {
  expect(checkLesson(withQuestion({ stem: ' ' }), lengths)).toEqual([
    { code: 'stemMissing', partId: 'clip', stopId: 's', questionId: 'q-one' },
  ]);
  expect(checkLesson(withStop({ id: 's', kind: 'pause', atMs: 9_999, note: 'x' }), lengths)).toEqual([
    { code: 'stopOutsideWindow', partId: 'clip', stopId: 's' },
  ]);
});

test('faults come in the order of the film, whatever was put in first', () => {
  const pause = (id: string, atMs: number): Stop => ({ id, kind: 'pause', atMs, note: '' });
  const lesson: Lesson = {
    ...bridgeLesson,
    parts: bridgeLesson.parts.map((part) => ({ ...part, stops: [pause('late', 40_000), pause('early', 20_000)] })),
  };
  expect(checkLesson(lesson, lengths).map((fault) => fault.stopId)).toEqual(['early', 'late']);
});

const [wrong, right] = pickOne.options as [ChoiceQuestion['options'][0], ChoiceQuestion['options'][0]];
test.each<[string, Lesson, string[]]>([
  ['an empty lesson', { title: '', parts: [] }, ['titleMissing', 'partsMissing']],
  ['no right answer', withQuestion({ options: [wrong, { ...wrong, id: 'b', text: 'Shear' }] }), ['rightAnswerMissing']],
  [
    'two right answers to pick-one',
    withQuestion({ options: [right, { ...right, id: 'b', text: 'Thrust' }] }),
    ['rightAnswersTooMany'],
  ],
  [
    'all of several right',
    withQuestion({ multiple: true, options: pickMultiple.options.map((o) => ({ ...o, correct: true })) }),
    ['everyOptionRight'],
  ],
  ['one option', withQuestion({ options: [right] }), ['optionsTooFew']],
  ['an option without words', withQuestion({ options: [right, { ...wrong, text: '' }] }), ['optionTextMissing']],
  ['two options alike', withQuestion({ options: [right, { ...wrong, text: right.text }] }), ['optionsAlike']],
  [
    'an empty checkpoint',
    withStop({ id: 's', kind: 'checkpoint', atMs: 20_000, required: true, questions: [] }),
    ['questionsMissing'],
  ],
  ['an empty note', withStop({ id: 's', kind: 'pause', atMs: 20_000, note: ' ' }), ['noteMissing']],
  [
    'a window beyond the end',
    { ...bridgeLesson, parts: bridgeLesson.parts.map((p) => ({ ...p, outMs: 61_000 })) },
    ['windowBeyondEnd'],
  ],
  [
    'a film that is gone',
    { ...bridgeLesson, parts: bridgeLesson.parts.map((p) => ({ ...p, materialId: 'gone' })) },
    ['materialMissing'],
  ],
])('%s', (_, lesson, expected) => expect(codes(lesson)).toEqual(expected));

test('a recording that is gone from the shelf is told, and a pause that only speaks is a pause', () => {
  const voice = { materialId: 'voice', words: '' };
  const lesson = withStop({ id: 's', kind: 'pause', atMs: 20_000, note: '', voice });
  expect(codes(lesson)).toEqual(['recordingMissing']);
  expect(checkLesson(lesson, new Map([...lengths, ['voice', 3_000]]))).toEqual([]);
});

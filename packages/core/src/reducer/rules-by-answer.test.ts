import { describe, expect, test } from 'vitest';
import { checkRules, picksOf } from '../checks/rule-answers.ts';
import { tryRoutes } from '../checks/try-routes.ts';
import type { Lesson, Rule } from '../lesson/lesson.ts';
import type { Question } from '../question/question.ts';
import type { Response } from '../question/response.ts';
import { check, clip, lesson, toPart } from '../test/path-lessons.ts';
import { walker } from '../test/walker.ts';

const head = { id: 'q', stem: 'How do you see it?', points: 0, teacherNote: '' };
const item = (id: string) => ({ id, text: id });

const scale: Question = {
  ...{ ...head, kind: 'slider', min: 1, max: 5, step: 1 },
  ...{ minLabel: 'not at all', maxLabel: 'entirely' },
};
const hotspot: Question = {
  ...{ ...head, kind: 'hotspot', multiple: false },
  areas: ['deck', 'pier'].map((id) => ({
    id,
    shape: 'rect',
    coords: [0, 0, 10, 10],
    label: id,
    correct: id === 'deck',
  })),
} as Question;
const hottext: Question = {
  ...{ ...head, kind: 'hottext', multiple: true },
  words: [
    { id: 'the', text: 'The', standing: 'plain' },
    { id: 'arch', text: 'arch', standing: 'correct' },
    { id: 'river', text: 'river', standing: 'wrong' },
  ],
};
const gaps: Question = {
  ...{ ...head, kind: 'inlineChoice', text: [] },
  gaps: [
    { id: 'g1', options: [item('pull'), item('push')], correctId: 'pull' },
    { id: 'g2', options: [item('long'), item('short')], correctId: 'long' },
  ],
} as unknown as Question;
const poll: Question = { ...head, kind: 'poll', multiple: false, options: [item('yes'), item('no')] };

const picked = (optionId: string): Rule['when'] => ({ kind: 'picked', questionId: 'q', optionId });
const choice = (...optionIds: string[]): Response => ({ kind: 'choice', optionIds });
const value = (at: number): Response => ({ kind: 'scale', value: at });

/** A film that asks a question and sends those for whom a rule holds to its third part. */
function asking(question: Question, when: Rule['when']): Lesson {
  const stop = { ...check('c', [{ id: 'r', when, to: toPart('c') }]), questions: [question] };
  return lesson(clip('a', [stop]), clip('b'), clip('c'));
}

describe('a rule by a given answer', () => {
  test.each<[string, Question, Rule['when'], Response, Response]>([
    ['one that was picked', poll, picked('no'), choice('no'), choice('yes')],
    ['an area of a picture', hotspot, picked('pier'), choice('pier'), choice('deck')],
    ['a word of a text', hottext, picked('river'), choice('arch', 'river'), choice('arch')],
    [
      'a word picked for a gap',
      gaps,
      picked('short'),
      { kind: 'gaps', gaps: { g1: 'pull', g2: 'short' } },
      { kind: 'gaps', gaps: { g1: 'push', g2: 'long' } },
    ],
    ['below a value', scale, { kind: 'scaleBelow', questionId: 'q', value: 3 }, value(2), value(3)],
    ['from a value', scale, { kind: 'scaleFrom', questionId: 'q', value: 3 }, value(3), value(2)],
  ])('%s', (_, question, when, holding, other) => {
    const asked = asking(question, when);
    for (const response of [holding, other]) {
      const walk = walker(asked);
      walk.play('a', 5_000);
      walk.act({ type: 'reachedStop', stopId: 'c' });
      expect(walk.act({ type: 'answered', stopId: 'c', responses: { q: response } })).toBe('taken');
      expect(walk.state.currentPartId === 'c').toBe(response === holding);
    }
    // Walked on both sides where all routes are tried, and nothing wrong with it.
    const ways = tryRoutes(asked).routes.map(({ partIds }) => partIds.join(''));
    expect(new Set(ways)).toEqual(new Set(['abc', 'ac']));
    expect(checkRules(asked)).toEqual([]);
  });

  test('that is gone, or whose question is, is told of', () => {
    const fault = { code: 'ruleAnswerGone', partId: 'a', stopId: 'c' };
    expect(checkRules(asking(poll, picked('maybe')))).toEqual([fault]);
    expect(checkRules(asking({ ...poll, id: 'other' }, picked('no')))).toEqual([fault]);
    expect(checkRules(asking(poll, { kind: 'scaleFrom', questionId: 'q', value: 1 }))).toEqual([fault]);
    const [film] = asking(poll, { kind: 'inGroup', group: 'early' }).parts;
    const ofPart = { ...film, rules: [{ id: 'r', when: picked('maybe'), to: toPart('b') }] } as typeof film;
    expect(checkRules(lesson(ofPart as never, clip('b')))).toEqual([{ code: 'ruleAnswerGone', partId: 'a' }]);
  });
});

test('answers a rule can look at are named as a teacher reads them; plain words and typed ones are none', () => {
  expect(picksOf(hottext).map(({ text }) => text)).toEqual(['arch', 'river']);
  expect(picksOf(gaps).map(({ optionId }) => optionId)).toEqual(['pull', 'push', 'long', 'short']);
  expect(picksOf(scale)).toEqual([]);
});

import { expect, test } from 'vitest';
import { everyKind } from '../examples/every-kind.ts';
import questions from './fixtures/questions-1.json' with { type: 'json' };
import { upgrader } from './shapes.ts';

// What the first shape of a question was, as the fifth landing wrote one of each kind.
test('a question of every kind of the first shape is the same question today', () => {
  expect(questions.map((question) => upgrader.fromStored('question', question))).toEqual(Object.values(everyKind));
});

test('and so it is in a lesson, with the rules on how sure a student was', () => {
  const rule = { id: 'r', when: { kind: 'sureAtMost', sure: 2 }, to: { kind: 'end' } };
  const other = { id: 's', when: { kind: 'scoreBelow', percent: 60 }, to: { kind: 'back' } };
  const lesson = {
    title: 'Bridges',
    parts: [
      {
        ...{ id: 'part', kind: 'task', title: 'Try', inMs: 0, outMs: 1, rules: [other, rule] },
        stops: [
          { id: 'stop', kind: 'checkpoint', atMs: 0, required: true, questions, rules: [rule] },
          { id: 'pause', kind: 'pause', atMs: 0, note: 'Look right.' },
        ],
      },
    ],
  };
  const [part] = upgrader.fromStored('lesson', lesson).parts;
  const today = { ...rule, when: { kind: 'confidenceAtMost', confidence: 2 } };
  expect(part).toMatchObject({
    rules: [other, today],
    stops: [{ questions: Object.values(everyKind), rules: [today] }, lesson.parts[0]?.stops[1]],
  });
});

test('what was answered keeps how sure its student was', () => {
  const response = { kind: 'choice', optionIds: ['right'], sure: 3 };
  const today = { kind: 'choice', optionIds: ['right'], confidence: 3 };
  const of = (event: object) => upgrader.fromStored('event', event);
  expect(of({ type: 'answered', stopId: 's', responses: { right: response } })).toEqual({
    type: 'answered',
    stopId: 's',
    responses: { right: today },
  });
  expect(of({ type: 'revised', stopId: 's', questionId: 'q', response })).toMatchObject({ response: today });
  expect(of({ type: 'timeUp', stopId: 's', questionId: 'q', response: null })).toMatchObject({ response: null });
  expect(of({ type: 'opened' })).toEqual({ type: 'opened' });
});

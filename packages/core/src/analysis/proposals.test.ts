import { describe, expect, test } from 'vitest';
import { proposeGroups, type SeenResult } from './proposals.ts';

const result = (studentId: string, questionId: string, more: Partial<SeenResult> = {}): SeenResult => ({
  ...{ studentId, questionId, stopId: `stop-${questionId}`, share: 1, picked: [`${questionId}-right`] },
  ...{ confidence: null, stopSpentMs: 20_000, ...more },
});
const wrong = (studentId: string, questionId: string, pick: string, more: Partial<SeenResult> = {}) =>
  result(studentId, questionId, { share: 0, picked: [pick], ...more });
const isWrong = ({ pick }: { readonly pick: string }) => !pick.endsWith('right');
const students = Array.from({ length: 12 }, (_, i) => `s${i}`);

describe('groups that the answers propose', () => {
  test('who made the same two mistakes is told of once, before a mistake by itself', () => {
    const results = students.flatMap((id, i) => [
      i < 5 ? wrong(id, 'top', 'pulled') : result(id, 'top'),
      i < 4 || i === 7 ? wrong(id, 'sides', 'swapped') : result(id, 'sides'),
      i > 8 ? wrong(id, 'span', 'twice') : result(id, 'span'),
      result(id, 'other'),
    ]);
    expect(proposeGroups(results, isWrong)).toEqual([
      {
        kind: 'sameMistake',
        mistakes: [
          { questionId: 'top', pick: 'pulled' },
          { questionId: 'sides', pick: 'swapped' },
        ],
        studentIds: ['s0', 's1', 's2', 's3'],
      },
      { kind: 'sameMistake', mistakes: [{ questionId: 'span', pick: 'twice' }], studentIds: ['s9', 's10', 's11'] },
    ]);
  });

  test('two mistakes that are only frequent do not go together', () => {
    // Each is made by half of the class; both by a quarter, as chance would have it.
    const results = students.flatMap((id, i) => [
      i % 2 === 0 ? wrong(id, 'a', 'x') : result(id, 'a'),
      i % 4 < 2 ? wrong(id, 'b', 'y') : result(id, 'b'),
      ...['c', 'd'].map((question) => result(id, question)),
    ]);
    const found = proposeGroups(results, isWrong);
    expect(found.map((one) => one.kind === 'sameMistake' && one.mistakes.length)).toEqual([1, 1]);
  });

  test('a pick that the key accepts is no mistake, though the answer earned less', () => {
    const results = students.map((id) => result(id, 'a', { share: 0.5 }));
    expect(proposeGroups(results, isWrong)).toEqual([]);
  });

  test('who earned little, who raced, who was sure and wrong', () => {
    const questions = ['a', 'b', 'c', 'd'];
    const results = students.flatMap((id, i) =>
      questions.map((question) => {
        if (i === 0) return wrong(id, question, `${id}-${question}`, { stopSpentMs: 3_000 });
        if (i === 1) return wrong(id, question, `${id}-${question}`);
        if (i < 5 && question === 'd') return wrong(id, question, `${id}`, { confidence: 4 });
        return result(id, question, { confidence: 4 });
      }),
    );
    expect(proposeGroups(results, isWrong)).toEqual([
      { kind: 'needsHelp', belowShare: 0.4, studentIds: ['s0', 's1'] },
      { kind: 'raced', studentIds: ['s0'] },
      { kind: 'sureAndWrong', questionId: 'd', studentIds: ['s2', 's3', 's4'] },
    ]);
  });

  test('no more than are asked for; none of nobody', () => {
    expect(proposeGroups([], isWrong)).toEqual([]);
    const results = ['a', 'b', 'c'].flatMap((question, q) =>
      students.map((id, i) => (i % 3 === q ? wrong(id, question, 'x') : result(id, question))),
    );
    expect(proposeGroups(results, isWrong, 2)).toHaveLength(2);
  });
});

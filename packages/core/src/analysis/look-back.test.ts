import { expect, test } from 'vitest';
import { everyKind } from '../examples/every-kind.ts';
import { lessonOf } from '../examples/kinds-lesson.ts';
import { knownTargets } from '../target/target.ts';
import type { LessonFigures, QuestionFigures } from './lesson-figures.ts';
import { lookBackOf } from './look-back.ts';

const known = knownTargets([{ code: 'B.1', words: 'Tells forces apart' }]);
const ask = (id: string, target: string) => ({ ...everyKind.choice, id, target });
const lesson = lessonOf([ask('a', 'B.1'), ask('b', 'b.1'), ask('c', 'In words of its own'), ask('d', 'B.1')]);
const figures = (...all: [id: string, meanShare: number | null, count: number][]): LessonFigures => ({
  questions: all.map(([questionId, meanShare, count]) => ({ questionId, meanShare, count }) as QuestionFigures),
  reliability: { alpha: null, students: 0, questions: 0 },
  proposals: [],
});

test('the weakest questions first; targets by all answers to their questions', () => {
  // B.1: (20 × 0.4 + 10 × 0.7) / 30 = 0.5
  const told = lookBackOf(lesson, figures(['a', 0.4, 20], ['b', 0.7, 10], ['c', 0.1, 12], ['d', null, 2]), known);
  expect(told.weak).toEqual(['c', 'a']);
  expect(told.share).toBeCloseTo(0.4, 12);
  expect(told.targets.map(({ target, share, answers }) => [target.code || target.words, share, answers])).toEqual([
    ['B.1', expect.closeTo(0.5, 12), 30],
    ['In words of its own', expect.closeTo(0.1, 12), 12],
  ]);
});

test('where nothing is marked, nothing is said', () => {
  expect(lookBackOf(lesson, figures(['a', null, 0]), known)).toEqual({ share: null, weak: [], targets: [] });
});

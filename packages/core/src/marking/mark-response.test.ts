import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { ChoiceQuestion } from '../question/question.ts';
import { isBlank, isFitting, longestTextLength } from '../question/response.ts';
import { pickMultiple, pickOne, written } from '../test/bridge-lesson.ts';
import { markResponse } from './mark-response.ts';

const choice = (...optionIds: string[]) => ({ kind: 'choice' as const, optionIds });

test('pick one: all or nothing (QTI match_correct)', () => {
  expect(markResponse(pickOne, choice('o-compression'))).toBe(200);
  expect(markResponse(pickOne, choice('o-tension'))).toBe(0);
});

/**
 * The example of `map_response` in the QTI 3.0 best practices guide ("Composition of Water"), from memory: hydrogen
 * and oxygen are worth 1 each, helium, carbon and nitrogen less than nothing, chlorine -1; lower bound 0, upper
 * bound 2. Our equal shares give the same totals for these responses.
 */
describe('pick several: mapped values between bounds (QTI map_response)', () => {
  const water: ChoiceQuestion = {
    ...pickMultiple,
    points: 200,
    options: ['H', 'He', 'C', 'O', 'N', 'Cl'].map((id) => ({
      id,
      text: id,
      correct: id === 'H' || id === 'O',
      feedback: '',
    })),
  };
  test.each([
    [['H', 'O'], 200],
    [['H'], 100],
    [['H', 'O', 'Cl'], 100],
    [['Cl'], 0],
    [['H', 'Cl'], 0],
    [[], 0],
  ])('%j earns %d', (picked, points) => expect(markResponse(water, choice(...picked))).toBe(points));
});

test('written answers wait for a teacher', () => {
  expect(markResponse(written, { kind: 'extendedText', text: 'anything' })).toBeNull();
});

test('points stay within bounds, whole, and do not depend on the order of options or picks', () => {
  const question = fc.record({
    points: fc.integer({ min: 0, max: 10_000 }),
    multiple: fc.boolean(),
    rights: fc.array(fc.boolean(), { minLength: 2, maxLength: 8 }),
  });
  fc.assert(
    fc.property(question, fc.infiniteStream(fc.nat(7)), fc.nat(8), ({ points, multiple, rights }, picks, count) => {
      const options = rights.map((right, i) => ({ id: `o${i}`, text: `${i}`, correct: right, feedback: '' }));
      const asked: ChoiceQuestion = { ...pickMultiple, points, multiple, options };
      const picked = [...new Set([...picks.take(count)].map((i) => `o${i % rights.length}`))];
      const earned = markResponse(asked, choice(...picked)) as number;
      expect(Number.isInteger(earned) && earned >= 0 && earned <= points).toBe(true);
      const turned = { ...asked, options: options.toReversed() };
      expect(markResponse(turned, choice(...picked.toReversed()))).toBe(earned);
    }),
  );
});

test('responses that do not fit a question are told apart from blank ones', () => {
  expect(isFitting(pickMultiple, choice('o-cable', 'o-cable'))).toBe(false);
  expect(isFitting(pickOne, choice('o-tension', 'o-compression'))).toBe(false);
  expect(isFitting(written, { kind: 'extendedText', text: 'x'.repeat(longestTextLength + 1) })).toBe(false);
  expect(isFitting(pickMultiple, choice())).toBe(true);
  expect(isBlank({ kind: 'extendedText', text: ' \n' })).toBe(true);
});

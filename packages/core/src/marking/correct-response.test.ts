import fc from 'fast-check';
import { expect, test } from 'vitest';
import { everyKind } from '../examples/every-kind.ts';
import type { GapMatchQuestion } from '../question/question.ts';
import { correctResponse } from './correct-response.ts';
import { markResponse } from './mark-response.ts';

const words = ['a', 'b', 'c', 'd', 'e'];

/** The most places that can be filled, by trying every way. */
function mostFilled(gaps: readonly (readonly string[])[], taken: readonly string[] = []): number {
  const [first, ...rest] = gaps;
  if (!first) return 0;
  const filled = first.filter((word) => !taken.includes(word)).map((word) => 1 + mostFilled(rest, [...taken, word]));
  return Math.max(mostFilled(rest, taken), ...filled);
}

test('the key fills as many places as can be filled, each with a word of its own', () => {
  const places = fc.array(fc.subarray(words, { minLength: 1 }), { minLength: 1, maxLength: 5 });
  fc.assert(
    fc.property(places, (gaps) => {
      const question: GapMatchQuestion = {
        ...everyKind.gapMatch,
        words: words.map((id) => ({ id, text: id })),
        pieces: gaps.map((_, index) => ({ gapId: `gap-${index}` })),
        gaps: gaps.map((correctIds, index) => ({ id: `gap-${index}`, correctIds })),
      };
      const key = correctResponse(question);
      if (key?.kind !== 'gaps') throw new Error('There is no key');
      const placed = Object.values(key.gaps);
      expect(new Set(placed).size).toBe(placed.length);
      const most = mostFilled(gaps);
      expect(placed).toHaveLength(most);
      expect(markResponse(question, key as never)).toBe(Math.round((question.points * most) / gaps.length));
    }),
  );
});

test('what is earned is rounded once', () => {
  // 35 × 7 ÷ 10 is 24.5, half up 25; in binary steps 0.7 × 35 comes to a little less.
  const gaps = Array.from({ length: 10 }, (_, index) => ({ id: `gap-${index}`, correctIds: ['a'] }));
  const question: GapMatchQuestion = { ...everyKind.gapMatch, points: 35, words: [{ id: 'a', text: 'a' }], gaps };
  const seven = Object.fromEntries(gaps.slice(0, 7).map(({ id }) => [id, 'a']));
  expect(markResponse(question, { kind: 'gaps', gaps: seven })).toBe(25);
});

test('numbers of the key are written as the class writes them', () => {
  const question = { ...everyKind.numeric, value: 3.2, unit: 'kN' };
  expect(correctResponse(question, 'de')).toEqual({ kind: 'number', text: '3,2 kN' });
  expect(correctResponse(question)).toEqual({ kind: 'number', text: '3.2 kN' });
});

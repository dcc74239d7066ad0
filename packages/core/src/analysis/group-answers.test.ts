import fc from 'fast-check';
import { expect, test } from 'vitest';
import { groupAnswers } from './group-answers.ts';

test('the same but for case, spaces, accents and full stops is one group, named as most wrote it', () => {
  const groups = groupAnswers(['The deck', 'the deck.', ' THE  DECK', 'tower', 'The dék', 'the hangers']);
  expect(groups).toEqual([
    { text: 'The deck', members: [0, 1, 2, 4] },
    { text: 'tower', members: [3] },
    { text: 'the hangers', members: [5] },
  ]);
});

test('slips of the keyboard are alike, other words and other numbers are not', () => {
  const count = (...texts: string[]) => groupAnswers(texts).length;
  expect(count('the main cable', 'the mian cabel')).toBe(1);
  expect(count('compression', 'compresion', 'kompression')).toBe(1);
  expect(count('tension', 'pension fund')).toBe(2);
  expect(count('about 35 times', 'about 36 times')).toBe(2);
  expect(count('', '')).toBe(1);
});

test('every answer is in one group', () => {
  const words = fc.array(fc.string({ unit: fc.constantFrom('a', 'b', ' ', '1'), maxLength: 9 }), { maxLength: 40 });
  fc.assert(
    fc.property(words, (texts) => {
      const members = groupAnswers(texts).flatMap((group) => group.members);
      expect(members.toSorted((a, b) => a - b)).toEqual(texts.map((_, index) => index));
    }),
  );
});

test('no chain of answers, each a little further off, becomes one group', () => {
  const chain = Array.from({ length: 20 }, (_, i) => 'b'.repeat(i) + 'a'.repeat(20 - i));
  expect(groupAnswers(chain).length).toBeGreaterThan(3);
});

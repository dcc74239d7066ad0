import fc from 'fast-check';
import { expect, test } from 'vitest';
import { wordsOf } from './words.ts';

// The reference is the segmenter of ICU, over the whole text at once.
const reference = new Intl.Segmenter('und', { granularity: 'word' });
const referenceWords = (text: string) =>
  [...reference.segment(text)].filter(({ isWordLike }) => isWordLike).map(({ segment }) => segment);

test('ASCII text has the words that Unicode gives it', () => {
  const ascii = fc.string({ unit: fc.constantFrom(...'abZ09_  .,;:\'"-/@!?()&\n\t'), maxLength: 90 });
  fc.assert(
    fc.property(ascii, (text) => {
      expect(wordsOf(text)).toEqual(referenceWords(text));
    }),
    { numRuns: 3_000 },
  );
});

test.each([
  'It’s the keeper’s book, 3.5 m long; 1,200 planks.',
  'قصة جسر صغير فوق النهر',
  '橋の守り人は毎晩歩いて渡ります。',
  'Don’t stop: a.m. and p.m. are 12:30 apart.',
])('other texts too: %s', (text) => expect(wordsOf(text)).toEqual(referenceWords(text)));

test('a long text is cut in no word', () => {
  const text = Array.from({ length: 500 }, (_, index) => `plank${index} holds.`).join(' ');
  expect(wordsOf(text)).toEqual(referenceWords(text));
});

import fc from 'fast-check';
import { expect, test } from 'vitest';
import { wordCounts } from './word-counts.ts';

test('an answer that says a word twice counts once; capitals make no other word; empty words and numbers are left out', () => {
  const texts = ['The cable pulls. Cables and the cable.', 'A cable is pulled by 3 men', 'It is the Cable!'];
  expect(wordCounts(texts).slice(0, 2)).toEqual([
    { word: 'cable', count: 3 },
    { word: 'Cables', count: 1 },
  ]);
  expect(wordCounts(texts).map(({ word }) => word)).not.toContain('the');
  expect(wordCounts(texts).map(({ word }) => word)).not.toContain('3');
  expect(wordCounts(texts, ['CABLE'])[0]).toEqual({ word: 'is', count: 2 });
});

test('scripts without spaces and with marks have words, too', () => {
  expect(wordCounts(['吊り橋は強い', '吊り橋'], []).find(({ count }) => count === 2)).toBeTruthy();
  expect(wordCounts(['Brücke', 'brücke'], [])).toEqual([{ word: 'brücke', count: 2 }]);
});

test('the same as a reference tokenizer (Intl.Segmenter, ICU) that is asked word by word', () => {
  const segmenter = new Intl.Segmenter('und', { granularity: 'word' });
  const reference = (texts: readonly string[]) => {
    const counts = new Map<string, number>();
    for (const text of texts) {
      const words = [...segmenter.segment(text)].filter(
        ({ isWordLike, segment }) => isWordLike && /\p{L}/u.test(segment),
      );
      for (const key of new Set(words.map(({ segment }) => segment.normalize('NFKC').toLowerCase())))
        counts.set(key, (counts.get(key) ?? 0) + 1);
    }
    return counts;
  };
  const word = fc.constantFrom('Beam', 'beam', 'arch’s', "don't", 'größer', 'x-ray', '42', 'e.g.', 'the', '橋', 'zug');
  const text = fc.array(word, { maxLength: 12 }).map((words) => words.join(' '));
  fc.assert(
    fc.property(fc.array(text, { maxLength: 8 }), (texts) => {
      const own = new Map(
        wordCounts(texts, []).map(({ word: one, count }) => [one.normalize('NFKC').toLowerCase(), count]),
      );
      expect(own).toEqual(reference(texts));
    }),
  );
});

import { wordsOf } from '../text/words.ts';

export interface WordCount {
  /** As it was written most often. */
  readonly word: string;
  /** In how many answers it stands; an answer that says it twice counts once. */
  readonly count: number;
}

/** English words that say nothing by themselves; from memory, no source. Each can be put back by who looks. */
const emptyWords = new Set(
  'a about after all also am an and any are as at be because been but by can could did do does for from had has have he her his how i if in into is it its just like me more most my no not of on one only or our out she so some than that the their them then there they this to too up us very was we were what when where which who why will with would you your'.split(
    ' ',
  ),
);

/** What is compared: neither capitals nor ways of writing accents make another word. */
const keyOf = (word: string): string => word.normalize('NFKC').toLowerCase();

/**
 * How many answers hold each word, the most frequent first; of equally frequent ones, by the letter. Numbers are no words.
 * @param leftOut words that are not counted, in any writing
 */
export function wordCounts(texts: readonly string[], leftOut: Iterable<string> = emptyWords): readonly WordCount[] {
  const skipped = new Set([...leftOut].map(keyOf));
  const found = new Map<string, { count: number; writings: Map<string, number> }>();
  for (const text of texts) {
    const seen = new Set<string>();
    for (const word of wordsOf(text)) {
      const key = keyOf(word);
      if (skipped.has(key) || !/\p{L}/u.test(word)) continue;
      const entry = found.get(key) ?? { count: 0, writings: new Map<string, number>() };
      if (!seen.has(key)) entry.count++;
      seen.add(key);
      entry.writings.set(word, (entry.writings.get(word) ?? 0) + 1);
      found.set(key, entry);
    }
  }
  return [...found.values()]
    .map(({ count, writings }) => ({
      count,
      word: [...writings].toSorted((a, b) => b[1] - a[1] || (a[0] < b[0] ? 1 : -1))[0]?.[0] ?? '',
    }))
    .toSorted((a, b) => b.count - a.count || a.word.localeCompare(b.word));
}

/** Words that are left out to begin with. */
export const wordsLeftOut: readonly string[] = [...emptyWords];

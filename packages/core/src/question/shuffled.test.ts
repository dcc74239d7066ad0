import fc from 'fast-check';
import { expect, test } from 'vitest';
import { shuffledByWords } from './shuffled.ts';
import { shuffledBy } from './shuffled-by-secret.ts';

test('shuffling loses nothing, and depends on the secret and the name alone', () => {
  fc.assert(
    fc.property(fc.array(fc.nat()), fc.string(), fc.string(), (items, secret, name) => {
      expect(shuffledBy(secret, name, items).toSorted()).toEqual(items.toSorted());
      expect(shuffledBy(secret, name, items)).toEqual(shuffledBy(secret, name, items));
      expect(shuffledByWords(items, name).toSorted()).toEqual(items.toSorted());
    }),
  );
});

test.each<[string, (i: number) => readonly string[]]>([
  ['secrets', (i) => shuffledBy(`secret ${i}`, 'q', ['a', 'b', 'c'])],
  ['names', (i) => shuffledBy('one secret', `q ${i}`, ['a', 'b', 'c'])],
  ['words', (i) => shuffledByWords(['a', 'b', 'c'], `words ${i}`)],
])('every order comes up as often as the others, over many %s', (_, shuffle) => {
  const counts = new Map<string, number>();
  for (let i = 0; i < 6_000; i++) {
    const order = shuffle(i).join('');
    counts.set(order, (counts.get(order) ?? 0) + 1);
  }
  // Each of the six is expected a thousand times; 150 is five standard deviations.
  expect(counts.size).toBe(6);
  for (const count of counts.values()) expect(Math.abs(count - 1_000)).toBeLessThan(150);
});

import fc from 'fast-check';
import { expect, test } from 'vitest';
import { matchBlocks } from './match-blocks.ts';

const toBlocks = (texts: readonly string[]) =>
  texts.map((text, index) => ({ id: `old-${index}`, text, html: `<p>${text}</p>` }));
const match = (before: readonly string[], after: readonly string[]) => matchBlocks(toBlocks(before), toBlocks(after));

test('the same document is itself, also where blocks repeat', () => {
  expect(match(['a', '', 'b', '', ''], ['a', '', 'b', '', ''])).toEqual(['old-0', 'old-1', 'old-2', 'old-3', 'old-4']);
});

test('what was put in is new, what was taken out is gone, the rest goes on', () => {
  expect(match(['one', 'two', 'three'], ['nought', 'one', 'three', 'four'])).toEqual([null, 'old-0', 'old-2', null]);
});

test('a block whose words were changed a little is the same block', () => {
  expect(
    match(
      ['Title', 'The beam bends when the truck stands in its middle.', 'End'],
      ['Title', 'The beam bends most when the heavy truck stands in its middle.', 'A wholly other thing', 'End'],
    ),
  ).toEqual(['old-0', 'old-1', null, 'old-2']);
});

test('a block carried elsewhere is found there', () => {
  expect(match(['first part', 'second part here', 'third'], ['third', 'first part', 'second part here'])).toEqual([
    'old-2',
    'old-0',
    'old-1',
  ]);
});

const words = fc.constantFrom('beam', 'arch', 'cable', 'deck', 'load', 'tower');
const texts = fc.array(
  fc.array(words, { maxLength: 6 }).map((list) => list.join(' ')),
  { maxLength: 12 },
);

test('no block goes on twice, and every id is an old one', () => {
  fc.assert(
    fc.property(texts, texts, (before, after) => {
      const ids = match(before, after).filter((id) => id !== null);
      expect(new Set(ids).size).toBe(ids.length);
      for (const id of ids) expect(Number(id.slice('old-'.length))).toBeLessThan(before.length);
    }),
  );
});

test('blocks that are the same to the letter go on whatever is put between them', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.string({ minLength: 1 }), { maxLength: 10 }),
      fc.array(fc.nat(10), { maxLength: 5 }),
      (before, places) => {
        const after = [...before];
        for (const [index, place] of places.entries()) after.splice(place, 0, `new ${index} ${'#'.repeat(20)}`);
        const found = match(before, after);
        for (const [index, text] of before.entries()) expect(found[after.indexOf(text)]).toBe(`old-${index}`);
      },
    ),
  );
});

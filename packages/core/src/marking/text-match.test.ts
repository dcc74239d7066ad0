import reference from 'damerau-levenshtein';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { editDistance, isSameText, normaliseText } from './text-match.ts';

const kind = { caseMatters: false, accentsMatter: false, slips: 0 };

test.each([
  ['  Cable-\n stayed ', 'cable- stayed'],
  // NFKC: full-width letters and the ligature ﬁ (Unicode Standard Annex 15).
  ['ﬁsh ＢＡＲ', 'fish bar'],
  ['Straße', 'strasse'],
  ['Brücke', 'brucke'],
  ['don’t', "don't"],
])('%j is read as %j', (given, read) => expect(normaliseText(given, kind)).toBe(read));

test('what matters is kept', () => {
  expect(normaliseText('Brücke', { caseMatters: true, accentsMatter: true })).toBe('Brücke');
  // One code point or two: the same letter.
  expect(normaliseText('Bru\u0308cke', { caseMatters: true, accentsMatter: true })).toBe('Brücke');
});

/** The worked examples of Damerau's four slips; the words are ours. */
test.each([
  ['beam', 'beam', 0],
  ['beam', 'beams', 1],
  ['beam', 'bam', 1],
  ['beam', 'boam', 1],
  ['beam', 'baem', 1],
  // "kitten" and "sitting" are 3 apart (the usual textbook example, from memory).
  ['kitten', 'sitting', 3],
])('%s and %s are %d apart', (a, b, distance) => expect(editDistance(a, b)).toBe(distance));

test('distances agree with a reference library, and with themselves under a bound', () => {
  const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c', 'd'), maxLength: 8 });
  fc.assert(
    fc.property(word, word, fc.nat(4), (a, b, bound) => {
      const distance = editDistance(a, b);
      // The library counts swaps with letters between them (unrestricted), which can only be fewer.
      expect(distance).toBeGreaterThanOrEqual(reference(a, b).steps);
      expect(distance).toBe(editDistance(b, a));
      expect(Math.min(editDistance(a, b, bound), bound + 1)).toBe(Math.min(distance, bound + 1));
    }),
  );
});

test('marks of other scripts are part of their letters', () => {
  // A vowel sign, a tone and a mark of voicing: without them these are other words.
  for (const [one, other] of [
    ['कि', 'क'],
    ['มา', 'ม่า'],
    ['か', 'が'],
  ] as const)
    expect(isSameText(one, other, kind), `${one} ${other}`).toBe(false);
  expect(isSameText('йод', 'иод', kind)).toBe(true);
  const strict = { ...kind, accentsMatter: true };
  expect(isSameText('schön', 'schon', strict)).toBe(false);
  expect(isSameText('ano', 'año', strict)).toBe(false);
});

test('what differs by the keyboard alone is the same', () => {
  for (const [one, other] of [
    ['“push”', '"push"'],
    ['«push»', '"push"'],
    ['rock`n´roll', "rock'n'roll"],
    ['cable\u2013stayed', 'cable-stayed'],
    ['cable\u2011stayed', 'cable-stayed'],
    ['sus\u00adpension', 'suspension'],
    ['sus\u200bpension', 'suspension'],
  ] as const)
    expect(isSameText(one, other, { ...kind, accentsMatter: true }), `${one} ${other}`).toBe(true);
  expect(isSameText('10²', '102', kind)).toBe(false);
  expect(isSameText('10^2', '10²', kind)).toBe(true);
  expect(isSameText('H₂O', 'H2O', kind)).toBe(true);
});

test('no slip is forgiven near a digit, or in a word of four letters', () => {
  const forgiving = { ...kind, slips: 2 };
  for (const [given, accepted] of [
    ['1915', '1914'],
    ['in the year 1915', 'in the year 1914'],
    ['H2SO3', 'H2SO4'],
    ['year19', 'years'],
    ['a soft arch', 'a loft arch'],
    ['bean', 'beam'],
    ['in summer of 1914', 'insummer of 1914'],
  ] as const)
    expect(isSameText(given, accepted, forgiving), given).toBe(false);
  for (const [given, accepted] of [
    ['a supension bridge', 'a suspension bridge'],
    ['suspensionbridge', 'suspension bridge'],
    ['supension of 1914', 'suspension of 1914'],
  ] as const)
    expect(isSameText(given, accepted, forgiving), given).toBe(true);
});

test('slips are forgiven in long words, not in short ones', () => {
  const forgiving = { ...kind, slips: 1 };
  expect(isSameText('supension', 'suspension', forgiving)).toBe(true);
  expect(isSameText('suspnesion', 'suspension', forgiving)).toBe(true);
  expect(isSameText('spension', 'suspension', forgiving)).toBe(false);
  expect(isSameText('pie', 'pin', forgiving)).toBe(false);
  expect(isSameText('supension', 'suspension', kind)).toBe(false);
});

test('plain letters are read as all others are', () => {
  const ascii = fc.string({ unit: 'grapheme-ascii', maxLength: 20 });
  fc.assert(
    fc.property(ascii, fc.boolean(), fc.boolean(), (text, caseMatters, accentsMatter) => {
      const tolerance = { caseMatters, accentsMatter };
      // A letter beyond ASCII at the end takes the long way.
      expect(`${normaliseText(`${text}|`, tolerance)}я`).toBe(normaliseText(`${text}|я`, tolerance));
    }),
  );
});

import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cardWords, countCardWords, makeCardWords, readCardWords } from './card-words.ts';
import { type ClassMark, classColours, classShapes, letterOfClass, nextClassMark } from './class-mark.ts';
import {
  countJoinCodes,
  joinCodeAlphabet,
  joinCodeLength,
  makeJoinCode,
  readJoinCode,
  showJoinCode,
} from './join-code.ts';
import { looksLikeEmail, tidyPersonName } from './person-name.ts';
import { randomGroups } from './random-groups.ts';
import { isUserName, longestUserName, userNameFor } from './user-name.ts';

/** Small whole numbers one after the other, as a source of chance whose results can be foreseen. */
function counting(seed: number) {
  let state = seed;
  return (below: number) => {
    // Numerical Recipes, 3rd ed., 7.1: a 32-bit linear congruential generator.
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

describe('the mark of a class', () => {
  test.each([
    ['8 Amber Design & Engineering', 'A'],
    ['9b', '9'],
    ['Ö-klassen', 'Ö'],
    ['2026 élèves', 'É'],
    ['8', '8'],
    ['  ', '·'],
    ['٣ علوم', 'ع'],
  ])('%j has the letter %s', (name, letter) => expect(letterOfClass(name)).toBe(letter));

  test('each of the first 36 classes has one of its own', () => {
    const marks: ClassMark[] = [];
    for (let count = 0; count < classShapes.length * classColours.length; count += 1) marks.push(nextClassMark(marks));
    expect(new Set(marks.map(({ shape, colour }) => `${shape} ${colour}`)).size).toBe(36);
    // Neighbours differ in both.
    expect(marks[1]?.shape).not.toBe(marks[0]?.shape);
    expect(marks[1]?.colour).not.toBe(marks[0]?.colour);
    expect(nextClassMark(marks)).toBeDefined();
  });
});

describe('codes for joining', () => {
  test('there are more than a thousand million, counted and counted again by listing shorter ones', () => {
    expect(countJoinCodes()).toBeGreaterThan(1e9);
    // By hand for the first lengths, with 15 letters and 5 digits: 20, 400, 8000 - 15 ** 3.
    const three = [...joinCodeAlphabet].flatMap((a) =>
      [...joinCodeAlphabet].flatMap((b) => [...joinCodeAlphabet].map((c) => a + b + c)),
    );
    expect(three.filter((code) => !/[A-Z]{3}/.test(code))).toHaveLength(20 ** 3 - 15 ** 3);
  });

  test('none holds a vowel, what looks like another sign, or three letters in a row', () => {
    const random = counting(1);
    for (let count = 0; count < 20_000; count += 1) {
      const code = makeJoinCode(random);
      expect(code).toHaveLength(joinCodeLength);
      expect(code).not.toMatch(/[AEIOUQLSBZG01345]|[A-Z]{3}/);
    }
  });

  test('20,000 are as good as all different', () => {
    const random = counting(2);
    expect(new Set(Array.from({ length: 20_000 }, () => makeJoinCode(random))).size).toBeGreaterThan(19_995);
  });

  test('what people make of one is read as that one', () => {
    const code = 'CD2FH68M';
    for (const typed of [
      'cd2fh68m',
      'CD2F-H68M',
      ' cd2f h68m ',
      'CDZFHGBM',
      'https://semita.example/join/CD2FH68M',
      'ＣＤ２ＦＨ６８Ｍ',
    ])
      expect([typed, readJoinCode(typed)]).toEqual([typed, code]);
    expect(readJoinCode(showJoinCode(code))).toBe(code);
    for (const none of ['', 'CD2FH68', 'CD2FH68MM', 'AAAAAAAA', 'CD2F H68O', '<script>'])
      expect([none, readJoinCode(none)]).toEqual([none, null]);
  });
});

describe('words of cards', () => {
  test('256 short words, none twice', () => {
    expect(new Set(cardWords).size).toBe(256);
    for (const word of cardWords) expect(word).toMatch(/^[a-z]{3,8}$/);
    expect(countCardWords()).toBeGreaterThan(1e9);
  });

  test('what was made is read back, however it is typed', () => {
    const random = counting(3);
    for (let count = 0; count < 1_000; count += 1) {
      const words = makeCardWords(random);
      expect(readCardWords(` ${words.toUpperCase().replaceAll(' ', ' - ')}.`)).toBe(words);
    }
    for (const none of [
      '',
      'acorn',
      'acorn anchor ankle',
      'acorn anchor ankle applause',
      'acorn anchor ankle apple apron',
    ])
      expect(readCardWords(none)).toBeNull();
  });
});

describe('user names', () => {
  test.each([
    ['Farah Lindholt', 'farah.lindholt'],
    ['Noor Halvorsen-Ito', 'noor.halvorsen.ito'],
    ['Kofi Brannström', 'kofi.brannstrom'],
    ['Siobhán O’Þór-Łuć', 'siobhan.othor.luc'],
    ['  ', 'student'],
    ['نور علي', 'نور.علي'],
    ['さくら', 'さくら'],
    ['がく', 'がく'],
  ])('%j is %j', (name, userName) => expect(userNameFor(name, () => false)).toBe(userName));

  test('namesakes are told apart by a number', () => {
    const taken = new Set<string>();
    for (const expected of ['ada.lund', 'ada.lund2', 'ada.lund3']) {
      const made = userNameFor('Ada Lund', (name) => taken.has(name));
      expect(made).toBe(expected);
      taken.add(made);
    }
  });

  test('whatever somebody is called, their user name is one', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (name) => {
        const userName = userNameFor(name, () => false);
        expect(isUserName(userName)).toBe(true);
        expect(userName.length).toBeLessThanOrEqual(longestUserName);
      }),
      { numRuns: 300 },
    );
  });
});

describe('names of people', () => {
  test.each([
    ['  Ada \t Lund\n', 'Ada Lund'],
    ['Ada\u202eLund', 'AdaLund'],
    ['\u200b', ''],
    ['—', ''],
    ['🦊', '🦊'],
    ['🦊'.repeat(200), '🦊'.repeat(50)],
    ['👩‍🏫', '👩‍🏫'],
    ['Zoe\u0308', 'Zoë'],
  ])('%j is kept as %j', (text, kept) => expect(tidyPersonName(text)).toBe(kept));
});

test.each([
  ['a@b.example', true],
  [' a.b@c.d.example ', true],
  ['a@b', false],
  ['a b@c.d', false],
  ['a@b@c.d', false],
  ['@b.c', false],
  ['a@.c', false],
  ['', false],
])('%j looks like an e-mail address: %s', (text, does) => expect(looksLikeEmail(text)).toBe(does));

describe('groups at random', () => {
  test.each([
    [10, { count: 3 }, [4, 3, 3]],
    [10, { size: 3 }, [4, 3, 3]],
    [11, { size: 3 }, [3, 3, 3, 2]],
    [2, { count: 5 }, [1, 1]],
    [5, { size: 50 }, [5]],
    [0, { count: 3 }, []],
  ])('%d people, %o: %o', (people, sizes, expected) => {
    const ids = Array.from({ length: people }, (_, index) => index);
    const groups = randomGroups(ids, sizes, counting(7));
    expect(groups.map((group) => group.length)).toEqual(expected);
    expect(groups.flat().toSorted((a, b) => a - b)).toEqual(ids);
  });

  test('everybody is as likely to be in any of them', () => {
    const random = counting(11);
    const met = [0, 0, 0];
    for (let time = 0; time < 3_000; time += 1)
      for (const [group, ids] of randomGroups([0, 1, 2, 3, 4, 5], { count: 3 }, random).entries())
        if (ids.includes(0)) met[group] = (met[group] ?? 0) + 1;
    // A binomial of 3,000 and one third has a standard deviation of 26: five of them.
    for (const count of met) expect(Math.abs(count - 1_000)).toBeLessThan(130);
  });
});

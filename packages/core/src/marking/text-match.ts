import { withPlainSigns } from '../numbers/parse-number.ts';
import type { TextTolerance } from '../question/question.ts';

/** Signs that differ by the machine they were typed on, and nothing else. */
const sameSigns: readonly (readonly [RegExp, string])[] = [
  [/[\u2018-\u201b\u02bc\u2032\u0060\u00b4]/gu, "'"],
  [/[\u201c-\u201f\u00ab\u00bb\u2033]/gu, '"'],
  // Soft hyphens, spaces without width, marks of direction: nobody sees them. Joiners stay; they make words.
  [/[\u00ad\u200b\u2060\ufeff\u200e\u200f]/gu, ''],
  // A power is not a further digit.
  [/(?<=\d)[\u00b9\u00b2\u00b3\u2070\u2074-\u2079]/gu, '^$&'],
];

/** Most answers; nothing in them has two ways of being written, and looking for it takes longer than all the rest. */
const plainAscii = /^[ -~]*$/u;

/** Marks above letters can be left out in these alone; in other scripts they are vowels and tones. */
const strippedMarks = /([\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}])\p{M}+/gu;

/**
 * Puts two ways of writing the same words into one: Unicode NFKC (so that ligatures, wide letters and composed accents
 * are one), one kind of quotes and dashes, runs of white space become one space, and, unless they matter, case and
 * accents go.
 */
export function normaliseText(text: string, tolerance: Pick<TextTolerance, 'caseMatters' | 'accentsMatter'>): string {
  if (plainAscii.test(text)) {
    const ascii = text.replaceAll('`', "'").replace(/ +/gu, ' ').trim();
    return tolerance.caseMatters ? ascii : ascii.toLowerCase();
  }
  const plain = sameSigns.reduce((signs, [form, sign]) => signs.replace(form, sign), withPlainSigns(text));
  let result = plain.normalize('NFKC').replace(/\s+/gu, ' ').trim();
  // Up and down again: "ß" and "SS" fold to the same, which going down alone misses.
  if (!tolerance.caseMatters) result = result.toUpperCase().toLowerCase();
  if (!tolerance.accentsMatter) result = result.normalize('NFD').replace(strippedMarks, '$1');
  return result.normalize('NFC');
}

/** In a word of four letters one slip already makes another word. */
const shortestWithSlips = 5;

/** Whether a text is an accepted one but for what the tolerance forgives. */
export function isSameText(given: string, accepted: string, tolerance: TextTolerance): boolean {
  const [a, b] = [normaliseText(given, tolerance), normaliseText(accepted, tolerance)];
  if (a === b) return true;
  const slips = Math.min(tolerance.slips, Math.floor(([...b].length - 1) / 3));
  if (slips <= 0 || editDistance(a, b, slips) > slips) return false;
  return differsInLongWords(a.split(' '), b.split(' '));
}

/** Short words, and those with a digit in them, are the same or another: 1914 is not 1915, H2SO4 not H2SO3. */
function differsInLongWords(given: readonly string[], accepted: readonly string[]): boolean {
  const isForgiving = (word: string) => [...word].length >= shortestWithSlips && !/\p{N}/u.test(word);
  if (given.length === accepted.length)
    return accepted.every((word, index) => {
      const other = given[index] as string;
      return word === other || (isForgiving(word) && !/\p{N}/u.test(other));
    });
  // A space too many or too few: which word is which cannot be told, so all of them are long ones.
  return accepted.every(isForgiving) && !given.some((word) => /\p{N}/u.test(word));
}

/**
 * Damerau–Levenshtein distance in its restricted form, optimal string alignment: letters put in, left out, changed,
 * or two neighbours swapped (Damerau 1964; recurrence as in Boytsov 2011). Counted in code points.
 * @param bound gives up once the distance is known to be beyond it, and then says `bound + 1`
 */
export function editDistance(a: string, b: string, bound = Number.POSITIVE_INFINITY): number {
  return distanceOf(codesOf(a), codesOf(b), bound);
}

/** The code points of a text. */
export function codesOf(text: string): Uint32Array {
  const codes = new Uint32Array(text.length);
  let count = 0;
  for (const char of text) codes[count++] = char.codePointAt(0) as number;
  return codes.subarray(0, count);
}

/** `editDistance` of texts whose code points are known: thousands are compared with each other. */
export function distanceOf(from: Uint32Array, to: Uint32Array, bound: number): number {
  const [rows, columns] = [from.length, to.length];
  if (Math.abs(rows - columns) > bound) return bound + 1;
  const far = rows + columns + 1;
  let beforeLast = new Uint32Array(columns + 1);
  let last = new Uint32Array(columns + 1);
  let row = new Uint32Array(columns + 1);
  for (let j = 0; j <= columns; j++) last[j] = j;
  for (let i = 1; i <= rows; i++) {
    // No cell further off the diagonal than the bound can be within it.
    const first = Math.max(1, i - bound);
    const end = Math.min(columns, i + bound);
    row[first - 1] = first === 1 ? i : far;
    if (end < columns) row[end + 1] = far;
    let leastOfRow = row[first - 1] as number;
    const code = from[i - 1];
    for (let j = first; j <= end; j++) {
      let least = (last[j - 1] as number) + (code === to[j - 1] ? 0 : 1);
      const leftOut = (last[j] as number) + 1;
      if (leftOut < least) least = leftOut;
      const putIn = (row[j - 1] as number) + 1;
      if (putIn < least) least = putIn;
      if (i > 1 && j > 1 && code === to[j - 2] && from[i - 2] === to[j - 1]) {
        const swapped = (beforeLast[j - 2] as number) + 1;
        if (swapped < least) least = swapped;
      }
      row[j] = least;
      if (least < leastOfRow) leastOfRow = least;
    }
    if (leastOfRow > bound) return bound + 1;
    [beforeLast, last, row] = [last, row, beforeLast];
  }
  return last[columns] as number;
}

import { codesOf, distanceOf, editDistance, normaliseText } from '../marking/text-match.ts';
import { areOpposite, isNegation } from './opposite-words.ts';

export interface AnswerGroup {
  /** What most of the group wrote, as one of them wrote it. */
  readonly text: string;
  /** Places in the list that was given, in order. */
  readonly members: readonly number[];
}

/** Longer answers are too much their own for one mark to serve several. */
const longestGrouped = 120;

/** Share of the letters in which two answers may differ and still be alike. */
const alikeShare = 0.15;

/**
 * Puts near-equal short answers together, so that one mark can serve many: the same but for case, accents, spaces
 * and punctuation, or no more than about one letter in seven apart (common practice, no source). What differs in a
 * number, a sign, a negation or an opposite is never put together, however like it looks. An answer joins the group of
 * the most frequent wording it is like, so that groups do not grow into chains of ever less alike answers.
 * @returns groups, the largest first; every place of the list is in exactly one
 */
export function groupAnswers(texts: readonly string[]): readonly AnswerGroup[] {
  const numbers = new Map<string, number>();
  // Most of a class write what somebody has written before them.
  const known = new Map<string, { readonly members: number[] }>();
  const wordings = new Map<string, { readonly wording: Wording; readonly members: number[] }>();
  for (const [index, text] of texts.entries()) {
    const asWritten = known.get(text);
    if (asWritten) {
      asWritten.members.push(index);
      continue;
    }
    const wording = wordingOf(text, numbers);
    const key = `${wording.meaning}\n${wording.words}`;
    const home = wordings.get(key) ?? { wording, members: [] };
    home.members.push(index);
    wordings.set(key, home);
    known.set(text, home);
  }
  const byFrequency = [...wordings.values()].toSorted(
    (a, b) => b.members.length - a.members.length || (a.members[0] ?? 0) - (b.members[0] ?? 0),
  );
  const groups: { readonly wording: Wording; readonly members: number[] }[] = [];
  // Only what means the same by its numbers, signs and negations can be alike.
  const byMeaning = new Map<string, typeof groups>();
  for (const { wording, members } of byFrequency) {
    const near = byMeaning.get(wording.meaning) ?? [];
    byMeaning.set(wording.meaning, near);
    const home = near.find((group) => isAlike(group.wording, wording));
    if (home) {
      home.members.push(...members);
      continue;
    }
    const group = { wording, members: [...members] };
    groups.push(group);
    near.push(group);
  }
  return groups
    .map(({ members }) => ({ text: texts[members[0] as number] as string, members: members.toSorted((a, b) => a - b) }))
    .toSorted((a, b) => b.members.length - a.members.length || (a.members[0] ?? 0) - (b.members[0] ?? 0));
}

interface Wording {
  /** Letters and digits, a space between words. */
  readonly words: string;
  /** Numbers with their signs and marks, operators and negations, in order. */
  readonly meaning: string;
  readonly list: readonly string[];
  /** The same words by number: numbers are compared far faster than words. */
  readonly ids: Uint32Array;
  readonly codes: Uint32Array;
  /** How many of each letter; see `countsOf`. */
  readonly counts: Uint8Array;
}

/** A number as it stands, with marks inside it and signs around it, or a sign that reckons or compares. */
const numberForm = /[-+]?\p{N}(?:[\p{N}.,:/^]*\p{N})?|[=<>≤≥≠±×÷*/^%+→←]|(?<!\p{L})-(?!\p{L})/gu;

function wordingOf(text: string, numbers: Map<string, number>): Wording {
  const plain = normaliseText(text, { caseMatters: false, accentsMatter: false });
  const words = plain
    // "isn't" is one word, and says no.
    .replace(/n't\b/gu, ' not')
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, ' ')
    .trim();
  const list = words.split(' ');
  const meaning = [...(plain.match(numberForm) ?? []), ...list.filter(isNegation)].join(' ');
  const ids = Uint32Array.from(list, (word) => {
    const known = numbers.get(word) ?? numbers.size;
    numbers.set(word, known);
    return known;
  });
  return { ...{ words, list, ids, meaning }, codes: codesOf(words.slice(0, longestGrouped)), counts: countsOf(words) };
}

/** Letters by the last bits of their code: texts whose counts are far apart are themselves at least half as far apart. */
function countsOf(text: string): Uint8Array {
  const counts = new Uint8Array(32);
  for (const char of text.slice(0, longestGrouped)) {
    const slot = (char.codePointAt(0) as number) & 31;
    counts[slot] = (counts[slot] as number) + 1;
  }
  return counts;
}

function isAlike(a: Wording, b: Wording): boolean {
  const length = Math.max(a.words.length, b.words.length);
  if (length > longestGrouped || a.words === '' || b.words === '') return false;
  const bound = Math.floor(length * alikeShare);
  if (bound === 0 || areCountsApart(a.counts, b.counts, 2 * bound)) return false;
  const isNear =
    a.ids.length === b.ids.length ? areWordsNear(a, b, bound) : distanceOf(a.codes, b.codes, bound) <= bound;
  return isNear && !hasOpposites(a.list, b.list);
}

/** As many words on both sides are compared one by one: the same words in another order say something else. */
function areWordsNear(a: Wording, b: Wording, bound: number): boolean {
  let apart = 0;
  // Each word that differs, differs by a letter at least, or by as many as it is longer.
  for (let place = 0; place < a.ids.length && apart <= bound; place++)
    if (a.ids[place] !== b.ids[place]) {
      apart += Math.max(1, Math.abs((a.list[place] as string).length - (b.list[place] as string).length));
    }
  if (apart > bound) return false;
  apart = 0;
  for (const [place, word] of a.list.entries()) {
    const other = b.list[place] as string;
    if (word !== other) apart += editDistance(word, other, bound - apart);
    if (apart > bound) return false;
  }
  return true;
}

function areCountsApart(a: Uint8Array, b: Uint8Array, bound: number): boolean {
  let apart = 0;
  for (let slot = 0; slot < 32; slot++) apart += Math.abs((a[slot] as number) - (b[slot] as number));
  return apart > bound;
}

/** Whether a word that only one has says the opposite of one that only the other has. */
function hasOpposites(a: readonly string[], b: readonly string[]): boolean {
  const [onlyA, onlyB] = [a.filter((word) => !b.includes(word)), b.filter((word) => !a.includes(word))];
  return onlyA.some((one) => onlyB.some((other) => areOpposite(one, other)));
}

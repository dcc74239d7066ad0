import type { TextTolerance } from '../question/question.ts';

/**
 * Puts two ways of writing the same words into one: Unicode NFKC (so that ligatures, wide letters and composed accents
 * are one), runs of white space become one space, and, unless they matter, case and accents go.
 */
export function normaliseText(text: string, tolerance: Pick<TextTolerance, 'caseMatters' | 'accentsMatter'>): string {
  let result = text.normalize('NFKC').replace(/\s+/gu, ' ').trim();
  // Up and down again: "ß" and "SS" fold to the same, which going down alone misses.
  if (!tolerance.caseMatters) result = result.toUpperCase().toLowerCase();
  if (!tolerance.accentsMatter) result = result.normalize('NFD').replace(/\p{M}+/gu, '');
  return result.normalize('NFC').replace(/[\u2018\u2019\u02bc]/g, "'");
}

/** Whether a text is an accepted one but for what the tolerance forgives. */
export function isSameText(given: string, accepted: string, tolerance: TextTolerance): boolean {
  const [a, b] = [normaliseText(given, tolerance), normaliseText(accepted, tolerance)];
  if (a === b) return true;
  // In a word of three letters one slip already makes another word.
  const slips = Math.min(tolerance.slips, Math.floor((b.length - 1) / 3));
  return slips > 0 && editDistance(a, b, slips) <= slips;
}

/**
 * Damerau–Levenshtein distance in its restricted form, optimal string alignment: letters put in, left out, changed,
 * or two neighbours swapped (Damerau 1964; recurrence as in Boytsov 2011). Counted in code points.
 * @param bound gives up once the distance is known to be beyond it, and then says `bound + 1`
 */
export function editDistance(a: string, b: string, bound = Number.POSITIVE_INFINITY): number {
  const [from, to] = [[...a], [...b]];
  if (Math.abs(from.length - to.length) > bound) return bound + 1;
  let beforeLast: number[] = [];
  let last = Array.from({ length: to.length + 1 }, (_, j) => j);
  for (let i = 1; i <= from.length; i++) {
    const row = [i];
    for (let j = 1; j <= to.length; j++) {
      const change = (last[j - 1] as number) + (from[i - 1] === to[j - 1] ? 0 : 1);
      let least = Math.min(change, (last[j] as number) + 1, (row[j - 1] as number) + 1);
      if (i > 1 && j > 1 && from[i - 1] === to[j - 2] && from[i - 2] === to[j - 1])
        least = Math.min(least, (beforeLast[j - 2] as number) + 1);
      row.push(least);
    }
    if (Math.min(...row) > bound) return bound + 1;
    beforeLast = last;
    last = row;
  }
  return last[to.length] as number;
}

import { editDistance, normaliseText } from '../marking/text-match.ts';

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
 * and punctuation, or no more than about one letter in seven apart (common practice, no source). An answer joins the
 * group of the most frequent wording it is like, so that groups do not grow into chains of ever less alike answers.
 * @returns groups, the largest first; every place of the list is in exactly one
 */
export function groupAnswers(texts: readonly string[]): readonly AnswerGroup[] {
  const wordings = new Map<string, number[]>();
  for (const [index, text] of texts.entries()) {
    const key = keyOf(text);
    wordings.set(key, [...(wordings.get(key) ?? []), index]);
  }
  const byFrequency = [...wordings].toSorted((a, b) => b[1].length - a[1].length || (a[1][0] ?? 0) - (b[1][0] ?? 0));
  const groups: { readonly key: string; readonly members: number[] }[] = [];
  for (const [key, members] of byFrequency) {
    const home = groups.find((group) => isAlike(group.key, key));
    if (home) home.members.push(...members);
    else groups.push({ key, members: [...members] });
  }
  return groups
    .map(({ members }) => ({ text: texts[members[0] as number] as string, members: members.toSorted((a, b) => a - b) }))
    .toSorted((a, b) => b.members.length - a.members.length || (a.members[0] ?? 0) - (b.members[0] ?? 0));
}

function keyOf(text: string): string {
  return normaliseText(text, { caseMatters: false, accentsMatter: false })
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

function isAlike(a: string, b: string): boolean {
  const length = Math.max(a.length, b.length);
  if (length > longestGrouped || a === '' || b === '') return false;
  const bound = Math.floor(length * alikeShare);
  // Numbers that differ in a digit are different answers.
  return bound > 0 && digitsOf(a) === digitsOf(b) && editDistance(a, b, bound) <= bound;
}

const digitsOf = (text: string) => text.replace(/\D+/gu, ' ').trim();

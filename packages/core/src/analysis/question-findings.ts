import type { Question } from '../question/question.ts';
import { fewestCompared, type ItemFigures } from './item-figures.ts';
import { isWrongPick } from './picks.ts';

/** What stands out at one question, for a teacher to look at. */
export type QuestionFinding =
  /** Those who did well overall took something that the key calls wrong, more than what it calls right. */
  | { readonly kind: 'lookAtKey'; readonly pick: string }
  /** Many took the same wrong thing. */
  | { readonly kind: 'sameWrong'; readonly pick: string; readonly count: number }
  /** Few earned much. */
  | { readonly kind: 'hard' }
  /** Nearly everybody earned all of it. */
  | { readonly kind: 'easy' }
  /** Those who did well elsewhere did no better here. */
  | { readonly kind: 'tellsNothing' };

/** Bounds of p and of discrimination within which a question says most of a class. Common practice, no source. */
const hardBelow = 0.3;
const easyFrom = 0.95;
const tellsFrom = 0.1;
/** A wrong pick is many people's from so many, and such a share, on. Common practice, no source. */
const fewestAlike = 3;
const shareAlike = 0.25;

/** The key is doubted where so large a share of the best took the other, and so much more than the key. No source. */
const suspectFrom = 0.4;
const suspectAhead = 0.2;

/** The findings of a question, the most telling first; those that too few answers stand behind are left out. */
export function questionFindings(question: Question, figures: ItemFigures, locale = 'en'): readonly QuestionFinding[] {
  const { count, meanShare, discrimination, options } = figures;
  const findings: QuestionFinding[] = [];
  const wrong = options.filter(({ optionId }) => isWrongPick(question, optionId, locale));
  const right = options.filter((option) => !wrong.includes(option));
  // A number that is right may be written in several ways: together they are what the key was given.
  const bestRight = right.reduce((sum, { upperShare }) => sum + (upperShare ?? 0), 0);
  // Where one thing is picked, what the best took says which of them is right.
  const isOneOfMany =
    question.kind === 'choice' || question.kind === 'hotspot' ? !question.multiple : question.kind === 'numeric';
  const suspect = wrong.toSorted((a, b) => (b.upperShare ?? 0) - (a.upperShare ?? 0))[0];
  const isSuspect =
    isOneOfMany &&
    count >= fewestCompared &&
    suspect !== undefined &&
    (suspect.upperShare ?? 0) >= Math.max(suspectFrom, bestRight + suspectAhead) &&
    (suspect.upperShare ?? 0) > (suspect.lowerShare ?? 0);
  if (isSuspect) findings.push({ kind: 'lookAtKey', pick: suspect.optionId });
  for (const { optionId, count: taken } of wrong.toSorted((a, b) => b.count - a.count))
    if (taken >= fewestAlike && taken >= shareAlike * count && !(isSuspect && optionId === suspect.optionId))
      findings.push({ kind: 'sameWrong', pick: optionId, count: taken });
  if (meanShare !== null && meanShare < hardBelow && !isSuspect) findings.push({ kind: 'hard' });
  if (meanShare !== null && meanShare >= easyFrom) findings.push({ kind: 'easy' });
  if (discrimination !== null && discrimination < tellsFrom && !isSuspect && meanShare !== null && meanShare < easyFrom)
    findings.push({ kind: 'tellsNothing' });
  return findings;
}

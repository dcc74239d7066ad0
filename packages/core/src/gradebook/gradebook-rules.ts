import type { Hundredths } from '../elements/points.ts';
import { type GradingScale, percentScale } from './grading-scale.ts';

/** How a class's results become one. */
export interface GradebookRules {
  /** Off: all points count alike, whatever they stand under. */
  readonly byWeight: boolean;
  /** In the order in which they are shown; a heading that none of them names weighs nothing under weights. */
  readonly categories: readonly CategoryRule[];
  /** What is past its date and not handed in. */
  readonly missing: 'zero' | 'nothing';
  /** What need not be done, and was. */
  readonly extras: 'onTop' | 'notCounted';
  /** Of percents, as they are shown and as the scale reads them. */
  readonly decimals: 0 | 1 | 2;
  readonly scale: GradingScale;
}

export interface CategoryRule {
  /** As assignments name it; empty for those that stand under no heading. */
  readonly name: string;
  /** In hundredths: 25.5 is 2550. What they come to together need not be 100. */
  readonly weight: Hundredths;
  /** So many of the lowest are left out, as long as one is left. */
  readonly dropLowest: number;
}

export const defaultRules: GradebookRules = {
  byWeight: false,
  categories: [],
  missing: 'nothing',
  extras: 'onTop',
  decimals: 0,
  scale: percentScale,
};

/** Rules as they stand for what there is: every heading in use has a line, those of the rules first. */
export function rulesFor(rules: GradebookRules, inUse: readonly string[]): GradebookRules {
  const known = new Set(rules.categories.map(({ name }) => name));
  const added = [...new Set(inUse)].filter((name) => !known.has(name));
  if (added.length === 0) return rules;
  return { ...rules, categories: [...rules.categories, ...added.map((name) => ({ name, weight: 0, dropLowest: 0 }))] };
}

/** Under weights, nothing counts as long as all of them are zero. */
export const isWeightless = ({ byWeight, categories }: GradebookRules): boolean =>
  byWeight && categories.every(({ weight }) => weight === 0);

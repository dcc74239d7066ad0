import Fraction from 'fraction.js';
import type { Hundredths } from '../elements/points.ts';
import type { GradebookCell, GradebookColumn } from './gradebook.ts';
import { type CategoryRule, type GradebookRules, rulesFor } from './gradebook-rules.ts';
import { nameOnScale, roundHalfUp } from './grading-scale.ts';

/** How one cell goes into the total. */
export type CellUse =
  /** With its two numbers. */
  | 'counted'
  /** One of the lowest under its heading. */
  | 'dropped'
  | 'excused'
  /** With nothing earned, or what there is of it. */
  | 'missingAsZero'
  | 'missingLeftOut'
  /** Not handed in, and not past its date. */
  | 'notYet'
  /** All of it waits to be marked. */
  | 'waiting'
  /** What need not be done: its points are added, and what could be had is not. */
  | 'onTop'
  | 'extraLeftOut'
  /** It carries no points. */
  | 'noPoints';

export interface UsedCell {
  /** Of the column. */
  readonly index: number;
  readonly use: CellUse;
  readonly earned: Hundredths;
  readonly possible: Hundredths;
}

export interface CategoryTotal {
  readonly name: string;
  readonly weight: Hundredths;
  /** Of what counts, and on top of it. */
  readonly earned: Hundredths;
  /** Zero where nothing counts yet. */
  readonly possible: Hundredths;
  readonly cells: readonly UsedCell[];
}

export interface Total {
  readonly categories: readonly CategoryTotal[];
  /** Of the categories that something counts in; zero where they say nothing. */
  readonly weightSum: Hundredths;
  /** Of 100, rounded as it is shown; null where nothing counts. */
  readonly percent: number | null;
  /** What the scale calls it. */
  readonly name: string | null;
}

/**
 * What a student's results come to, with all that leads there. In exact fractions until it is rounded once, at the end,
 * halves up. Under weights it is the weighted mean of the shares of those categories in which something counts; else
 * the share of all points.
 *
 * Dropping goes by share, the lowest first; of equal ones what could earn more goes first, as that helps more where
 * they are below the mean. What counts on top, and what is not counted anyway, is never dropped. Common practice, no
 * source.
 */
export function totalOf(
  cells: readonly (GradebookCell | null)[],
  columns: readonly GradebookColumn[],
  rules: GradebookRules,
): Total {
  const whole = rulesFor(
    rules,
    columns.map(({ category }) => category),
  );
  const used = new Map<string, UsedCell[]>();
  columns.forEach((column, index) => {
    const cell = cells[index];
    if (!cell) return;
    const own = used.get(column.category) ?? [];
    own.push({ index, ...judge(cell, column, rules) });
    used.set(column.category, own);
  });
  const categories = whole.categories.flatMap((rule): CategoryTotal[] => {
    const own = used.get(rule.name);
    return own ? [categoryTotal(rule, own)] : [];
  });
  const share = rules.byWeight ? weightedShare(categories) : shareOfPoints(categories);
  const percent = share && roundHalfUp(share.mul(100), rules.decimals);
  return {
    categories,
    weightSum: rules.byWeight ? categories.filter(isCounting).reduce((sum, { weight }) => sum + weight, 0) : 0,
    percent,
    name: percent === null ? null : nameOnScale(percent, rules.scale),
  };
}

function judge(cell: GradebookCell, { isExtra }: GradebookColumn, rules: GradebookRules): Omit<UsedCell, 'index'> {
  const earned = cell.override ? cell.override.earned : cell.earned;
  // A number given by hand is of all there is, also of what waits to be marked.
  const possible = cell.override ? wholeOf(cell) : cell.possible;
  const use = (kind: CellUse) => ({ use: kind, earned, possible });
  if (cell.isExcused) return use('excused');
  // What a teacher gave by hand counts, whatever there is of it.
  const isIn = cell.state === 'handedIn' || cell.override !== undefined;
  if (isExtra) return use(isIn && rules.extras === 'onTop' ? 'onTop' : 'extraLeftOut');
  if (!isIn && !cell.isMissing) return use('notYet');
  if (!isIn && rules.missing === 'nothing') return use('missingLeftOut');
  if (possible === 0) return use(cell.waiting ? 'waiting' : 'noPoints');
  return use(isIn ? 'counted' : 'missingAsZero');
}

/** What could be had, with what waits to be marked. */
export const wholeOf = ({ whole, possible }: GradebookCell): Hundredths => whole ?? possible;

const counts = ({ use }: UsedCell): boolean => use === 'counted' || use === 'missingAsZero';

function categoryTotal({ name, weight, dropLowest }: CategoryRule, cells: readonly UsedCell[]): CategoryTotal {
  const counted = cells.filter(counts);
  const dropped = new Set(
    counted
      // Shares are compared by multiplying across, which is exact.
      .toSorted((a, b) => a.earned * b.possible - b.earned * a.possible || b.possible - a.possible)
      .slice(0, Math.max(0, Math.min(dropLowest, counted.length - 1))),
  );
  const own = cells.map((cell): UsedCell => (dropped.has(cell) ? { ...cell, use: 'dropped' } : cell));
  return {
    ...{ name, weight, cells: own },
    earned: own.reduce((sum, cell) => (counts(cell) || cell.use === 'onTop' ? sum + cell.earned : sum), 0),
    possible: own.reduce((sum, cell) => (counts(cell) ? sum + cell.possible : sum), 0),
  };
}

const isCounting = ({ possible }: CategoryTotal): boolean => possible > 0;

function shareOfPoints(categories: readonly CategoryTotal[]): Fraction | null {
  const possible = categories.reduce((sum, one) => sum + one.possible, 0);
  const earned = categories.reduce((sum, one) => sum + one.earned, 0);
  return possible === 0 ? null : new Fraction(earned, possible);
}

/** What is on top under a heading in which nothing else counts yet waits until something does. */
function weightedShare(categories: readonly CategoryTotal[]): Fraction | null {
  const counting = categories.filter((one) => isCounting(one) && one.weight > 0);
  const weights = counting.reduce((sum, { weight }) => sum + weight, 0);
  if (weights === 0) return null;
  return counting
    .reduce((sum, { earned, possible, weight }) => sum.add(new Fraction(earned, possible).mul(weight)), new Fraction(0))
    .div(weights);
}

/** A stretch of civil days, the last one included. */
export interface Term {
  readonly title: string;
  readonly firstDay: string;
  readonly lastDay: string;
}

/** Of a gradebook, what belongs to a term. */
export function inTerm<Cell>(
  cells: readonly Cell[],
  columns: readonly GradebookColumn[],
  { firstDay, lastDay }: Term,
): { readonly cells: readonly Cell[]; readonly columns: readonly GradebookColumn[] } {
  const isIn = columns.map(({ day }) => firstDay <= day && day <= lastDay);
  return { cells: cells.filter((_, index) => isIn[index]), columns: columns.filter((_, index) => isIn[index]) };
}

/** What a student's results come to in each of some terms. */
export const totalsOfTerms = (
  cells: readonly (GradebookCell | null)[],
  columns: readonly GradebookColumn[],
  rules: GradebookRules,
  terms: readonly Term[],
): readonly Total[] =>
  terms.map((term) => {
    const own = inTerm(cells, columns, term);
    return totalOf(own.cells, own.columns, rules);
  });

import { groupBy } from '../elements/group-by.ts';
import { fewestAnswersSeen } from './seen-difficulty.ts';

/** What one student came to at one question. */
export interface ItemResult {
  readonly studentId: string;
  readonly questionId: string;
  /** Share of the points that was earned, 0 to 1. */
  readonly share: number;
  /** Options that were picked, where the question has any. */
  readonly picked?: readonly string[] | undefined;
}

/** What the results of many say of one question. A figure is null where too few answers stand behind it. */
export interface ItemFigures {
  /** Students whose answer is marked. */
  readonly count: number;
  /** Item difficulty p: the mean share of the points that was earned. */
  readonly meanShare: number | null;
  /**
   * Whether those who do well elsewhere do well here, −1 to 1: the product-moment correlation of the share earned here
   * with the share earned in all other questions of the same student (for right or wrong answers the corrected
   * point-biserial).
   */
  readonly discrimination: number | null;
  /** The upper 27 % less the lower 27 % in mean share, −1 to 1 (Kelley 1939). */
  readonly upperLower: number | null;
  readonly options: readonly OptionFigures[];
}

export interface OptionFigures {
  readonly optionId: string;
  readonly count: number;
  /** Share of the upper and of the lower 27 % who picked it, 0 to 1; null with too few. */
  readonly upperShare: number | null;
  readonly lowerShare: number | null;
}

/** With fewer answers than this it cannot be told who does well elsewhere. Common practice, no source. */
export const fewestCompared = 10;

/** Kelley, T. L. (1939), The selection of upper and lower groups for the validation of test items. From memory. */
const kelleyShare = 0.27;

/**
 * Figures of every question of a lesson, by question.
 * @param results one of each student and question that is marked; who met only some of the questions is compared by those
 */
export function itemFigures(results: readonly ItemResult[]): ReadonlyMap<string, ItemFigures> {
  const sums = new Map<string, { sum: number; count: number }>();
  for (const { studentId, share } of results) {
    const before = sums.get(studentId) ?? { sum: 0, count: 0 };
    sums.set(studentId, { sum: before.sum + share, count: before.count + 1 });
  }
  const byQuestion = groupBy(results, ({ questionId }) => questionId);
  return new Map([...byQuestion].map(([questionId, own]) => [questionId, figuresOf(own, sums)]));
}

function figuresOf(
  own: readonly ItemResult[],
  sums: ReadonlyMap<string, { readonly sum: number; readonly count: number }>,
): ItemFigures {
  const count = own.length;
  const compared: ItemResult[] = [];
  const shares: number[] = [];
  /** The mean share in all other questions, of each. */
  const elsewhere: number[] = [];
  let total = 0;
  for (const result of own) {
    const { sum, count: all } = sums.get(result.studentId) ?? { sum: 0, count: 0 };
    total += result.share;
    if (all < 2) continue;
    compared.push(result);
    shares.push(result.share);
    elsewhere.push((sum - result.share) / (all - 1));
  }
  const isEnough = compared.length >= fewestCompared;
  const weights = isEnough ? extremeWeights(elsewhere) : null;
  const picks = new Map<string, { count: number; upper: number; lower: number }>();
  const pickOf = (id: string) => {
    const known = picks.get(id);
    if (known) return known;
    const one = { count: 0, upper: 0, lower: 0 };
    picks.set(id, one);
    return one;
  };
  for (const { picked = [] } of own) for (const id of picked) pickOf(id).count++;
  const sums27 = { upper: 0, lower: 0, upperSize: 0, lowerSize: 0 };
  if (weights)
    for (const [i, { share, picked = [] }] of compared.entries()) {
      const [upper, lower] = [weights.upper[i] ?? 0, weights.lower[i] ?? 0];
      if (upper === 0 && lower === 0) continue;
      sums27.upper += upper * share;
      sums27.lower += lower * share;
      sums27.upperSize += upper;
      sums27.lowerSize += lower;
      for (const id of picked) {
        const pick = pickOf(id);
        pick.upper += upper;
        pick.lower += lower;
      }
    }
  const { upper, lower, upperSize, lowerSize } = sums27;
  return {
    count,
    meanShare: count < fewestAnswersSeen ? null : total / count,
    discrimination: isEnough ? correlation(shares, elsewhere) : null,
    upperLower: weights ? upper / upperSize - lower / lowerSize : null,
    options: [...picks].map(([optionId, pick]) => ({
      optionId,
      count: pick.count,
      upperShare: weights ? pick.upper / upperSize : null,
      lowerShare: weights ? pick.lower / lowerSize : null,
    })),
  };
}

/**
 * How much each value belongs to the upper and to the lower 27 %. Values that tie at the cut belong to it by the same
 * fraction, so that no order of names decides.
 */
function extremeWeights(values: readonly number[]) {
  const size = Math.max(1, kelleyShare * values.length);
  const sideOf = (sorted: Float64Array) => {
    const cut = sorted[Math.ceil(size) - 1] as number;
    const beyond = sorted.indexOf(cut);
    const tied = sorted.lastIndexOf(cut) - beyond + 1;
    return { cut, atCut: (size - beyond) / tied };
  };
  const rising = Float64Array.from(values).sort();
  const top = sideOf(rising.toReversed());
  const bottom = sideOf(rising);
  return {
    upper: values.map((value) => (value > top.cut ? 1 : value === top.cut ? top.atCut : 0)),
    lower: values.map((value) => (value < bottom.cut ? 1 : value === bottom.cut ? bottom.atCut : 0)),
  };
}

/** Pearson's product-moment correlation; null where one of the two does not vary. */
function correlation(xs: readonly number[], ys: readonly number[]): number | null {
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [meanX, meanY] = [mean(xs), mean(ys)];
  let [xx, yy, xy] = [0, 0, 0];
  for (const [i, x] of xs.entries()) {
    const [dx, dy] = [x - meanX, (ys[i] as number) - meanY];
    xx += dx * dx;
    yy += dy * dy;
    xy += dx * dy;
  }
  // Sums of squares that are nothing but rounding are none.
  return xx < 1e-12 || yy < 1e-12 ? null : xy / Math.sqrt(xx * yy);
}

/**
 * Cronbach's alpha (1951), how well the questions of a lesson hang together; where all are right or wrong it is
 * Kuder and Richardson's formula 20 (1937). Both from memory.
 *
 * α = k ÷ (k − 1) · (1 − Σ variance of each question ÷ variance of the sums)
 * @returns over the students who answered every question that is counted, and the questions that at least three in four
 *   of all answered; null with fewer than ten students or two questions, or where the sums do not vary
 */
export function alphaOf(results: readonly ItemResult[]): {
  readonly alpha: number | null;
  readonly students: number;
  readonly questions: number;
} {
  const all = new Set(results.map(({ studentId }) => studentId)).size;
  const byQuestion = groupBy(results, ({ questionId }) => questionId);
  const questionIds = [...byQuestion].flatMap(([id, own]) => (own.length >= 0.75 * all ? [id] : []));
  const shares = new Map<string, Map<string, number>>();
  for (const { studentId, questionId, share } of results) {
    const own = shares.get(studentId) ?? new Map<string, number>();
    shares.set(studentId, own.set(questionId, share));
  }
  const rows = [...shares.values()].flatMap((own) =>
    questionIds.every((id) => own.has(id)) ? [questionIds.map((id) => own.get(id) as number)] : [],
  );
  const counts = { students: rows.length, questions: questionIds.length };
  if (rows.length < fewestCompared || questionIds.length < 2) return { alpha: null, ...counts };
  const k = questionIds.length;
  const ofSums = variance(rows.map((row) => row.reduce((sum, share) => sum + share, 0)));
  if (ofSums < 1e-12) return { alpha: null, ...counts };
  const ofEach = questionIds.reduce((sum, _, index) => sum + variance(rows.map((row) => row[index] as number)), 0);
  return { alpha: (k / (k - 1)) * (1 - ofEach / ofSums), ...counts };
}

function variance(values: readonly number[]): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
}

import fc from 'fast-check';
import { corr, sum, variance } from 'mathjs';
import { describe, expect, test } from 'vitest';
import { alphaOf, type ItemResult, itemFigures } from './item-figures.ts';

/** A table of shares: one row a student, one column a question; null where it was not answered. */
const resultsOf = (table: readonly (readonly (number | null)[])[]): ItemResult[] =>
  table.flatMap((row, s) =>
    row.flatMap((share, q) => (share === null ? [] : [{ studentId: `s${s}`, questionId: `q${q}`, share }])),
  );

const shares = fc.array(fc.array(fc.constantFrom(0, 0.25, 0.5, 1), { minLength: 4, maxLength: 4 }), {
  minLength: 12,
  maxLength: 40,
});

describe('figures of a question', () => {
  test('agree with the correlation of a statistics library (mathjs), with what is compared left out of the rest', () => {
    fc.assert(
      fc.property(shares, (table) => {
        const figures = itemFigures(resultsOf(table));
        for (const q of [0, 1, 2, 3]) {
          const own = table.map((row) => row[q] as number);
          const rest = table.map((row) => sum(row) - (row[q] as number));
          const found = figures.get(`q${q}`)?.discrimination ?? null;
          if (Number(variance(own)) < 1e-9 || Number(variance(rest)) < 1e-9) expect(found).toBeNull();
          else expect(found).toBeCloseTo(Number(corr(own, rest)), 9);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('the upper and lower 27 % of a hundred are the first and last 27', () => {
    // By hand: the rest ranks students by their number; 20 of the best 27 are right here, 3 of the last 27.
    const table = Array.from({ length: 100 }, (_, s) => [s >= 80 || (s >= 24 && s < 27 + 0) ? 1 : 0, s / 99]);
    const { upperLower, meanShare, count } = itemFigures(resultsOf(table)).get('q0') ?? {};
    expect({ count, meanShare }).toEqual({ count: 100, meanShare: 0.23 });
    expect(upperLower).toBeCloseTo(20 / 27 - 3 / 27, 9);
  });

  test('students who tie at the cut belong to it by the same fraction, in whatever order they come', () => {
    const table = Array.from({ length: 20 }, (_, s) => [s % 2, s < 10 ? 0 : 1]);
    const forth = itemFigures(resultsOf(table)).get('q0');
    const back = itemFigures(resultsOf(table).toReversed()).get('q0');
    expect(forth?.upperLower).toBeCloseTo(0, 9);
    expect(back?.upperLower).toBeCloseTo(forth?.upperLower ?? Number.NaN, 9);
  });

  test('who picked what, among the best and the last', () => {
    const results = resultsOf(Array.from({ length: 12 }, (_, s) => [s < 6 ? 0 : 1, s / 11])).map((result) =>
      result.questionId === 'q0' ? { ...result, picked: [result.share === 1 ? 'right' : 'wrong'] } : result,
    );
    const { options } = itemFigures(results).get('q0') ?? { options: [] };
    expect(options).toHaveLength(2);
    expect(options).toContainEqual({ optionId: 'right', count: 6, upperShare: 1, lowerShare: 0 });
    expect(options).toContainEqual({ optionId: 'wrong', count: 6, upperShare: 0, lowerShare: 1 });
  });

  test('too few to say; a class of one; a single question', () => {
    expect(itemFigures([]).size).toBe(0);
    const one = itemFigures(resultsOf([[1, 0]])).get('q0');
    expect(one).toEqual({ count: 1, meanShare: null, discrimination: null, upperLower: null, options: [] });
    const alone = itemFigures(resultsOf(Array.from({ length: 15 }, () => [1]))).get('q0');
    expect(alone).toMatchObject({ count: 15, meanShare: 1, discrimination: null, upperLower: null });
  });

  test('who met only some of the questions is compared by those', () => {
    const table = Array.from({ length: 12 }, (_, s) => [s < 6 ? 0 : 1, s < 6 ? 0 : 1, s % 2 === 0 ? null : s / 11]);
    expect(itemFigures(resultsOf(table)).get('q0')?.discrimination).toBeGreaterThan(0.9);
  });
});

describe('how well the questions hang together', () => {
  test('is the alpha that follows from the mean variance and mean covariance (mathjs)', () => {
    fc.assert(
      fc.property(shares, (table) => {
        const columns = [0, 1, 2, 3].map((q) => table.map((row) => row[q] as number));
        const variances = columns.map((column) => Number(variance(column, 'uncorrected')));
        const sums = columns.flatMap((a, i) =>
          columns.slice(i + 1).map((b) => {
            const both = a.map((x, s) => x + (b[s] as number));
            return (
              (Number(variance(both, 'uncorrected')) - Number(variances[i]) - Number(variance(b, 'uncorrected'))) / 2
            );
          }),
        );
        const [v, c] = [Number(sum(variances)) / 4, Number(sum(sums)) / 6];
        const { alpha } = alphaOf(resultsOf(table));
        if (v + 3 * c < 1e-9) expect(alpha).toBeNull();
        else expect(alpha).toBeCloseTo((4 * c) / (v + 3 * c), 6);
      }),
      { numRuns: 60 },
    );
  });

  test('for right or wrong it is KR-20', () => {
    // k ÷ (k − 1) · (1 − Σ pq ÷ variance), worked by hand: 10 students, 3 questions with p = 0.5, 0.5 and 0.8.
    const table = Array.from({ length: 10 }, (_, s) => [s < 5 ? 1 : 0, s < 5 ? 1 : 0, s < 8 ? 1 : 0]);
    const sums = table.map((row) => Number(sum(row)));
    const pq = 0.25 + 0.25 + 0.16;
    expect(alphaOf(resultsOf(table))).toEqual({
      alpha: expect.closeTo(1.5 * (1 - pq / Number(variance(sums, 'uncorrected'))), 9),
      students: 10,
      questions: 3,
    });
  });

  test('is not said of few students, of one question, or of answers that are all alike', () => {
    expect(alphaOf(resultsOf(Array.from({ length: 9 }, (_, s) => [s % 2, 1])))).toMatchObject({ alpha: null });
    expect(alphaOf(resultsOf(Array.from({ length: 20 }, (_, s) => [s % 2])))).toMatchObject({ alpha: null });
    expect(alphaOf(resultsOf(Array.from({ length: 20 }, () => [1, 1])))).toMatchObject({ alpha: null });
  });

  test('a question that few met is left out, and so is who left one out', () => {
    const table = Array.from({ length: 20 }, (_, s) => [s % 2, s % 3 === 0 ? 1 : 0, s < 5 ? 1 : null]);
    expect(alphaOf(resultsOf(table))).toMatchObject({ students: 20, questions: 2 });
  });
});

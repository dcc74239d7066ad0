import fc from 'fast-check';
import Fraction from 'fraction.js';
import { describe, expect, test } from 'vitest';
import { everyKind } from '../examples/every-kind.ts';
import type { NumericQuestion } from '../question/question.ts';
import { isCorrectNumber } from './mark-number.ts';

const asked = (change: Partial<NumericQuestion>): NumericQuestion => ({
  ...everyKind.numeric,
  value: 3.2,
  tolerance: { kind: 'exact' },
  ...change,
});

describe('right numbers', () => {
  test.each([
    ['3.2 kN', true],
    ['3200 N', true],
    ['0.0032 MN', true],
    ['3.2', false],
    ['3.2 N', false],
    ['3.2 kg', false],
    ['3.2 blorb', false],
    [`3.2 ${'k'.repeat(150)}`, false],
  ])('%j', (text, isRight) => expect(isCorrectNumber(asked({}), text, 'en')).toBe(isRight));

  test('a unit that need not be written may be', () => {
    const question = asked({ unitNeeded: false });
    expect(isCorrectNumber(question, '3.2', 'en')).toBe(true);
    expect(isCorrectNumber(question, '3200 N', 'en')).toBe(true);
    expect(isCorrectNumber(asked({ unit: '' }), '3.2 kN', 'en')).toBe(false);
  });

  test('tolerances reach to their ends', () => {
    const near = asked({ tolerance: { kind: 'absolute', by: 0.1 }, unitNeeded: false });
    for (const text of ['3.1', '3.3', '3.2']) expect(isCorrectNumber(near, text, 'en')).toBe(true);
    for (const text of ['3.09', '3.31']) expect(isCorrectNumber(near, text, 'en')).toBe(false);
    const percent = asked({ value: 200, unit: '', tolerance: { kind: 'relative', percent: 5 } });
    for (const text of ['190', '210']) expect(isCorrectNumber(percent, text, 'en')).toBe(true);
    for (const text of ['189', '211']) expect(isCorrectNumber(percent, text, 'en')).toBe(false);
  });

  test('significant figures are asked for as written', () => {
    const question = asked({ value: 9.806, unit: '', significantFigures: 3 });
    expect(isCorrectNumber(question, '9.81', 'en')).toBe(true);
    expect(isCorrectNumber(question, '9.8', 'en')).toBe(false);
    expect(isCorrectNumber(question, '9.806', 'en')).toBe(false);
    expect(isCorrectNumber(question, '9.810', 'en')).toBe(false);
  });

  // Half away from zero, ISO 80000-1, annex B, rule B; the values from memory as known cases of binary fractions.
  test.each([
    [2.675, 3, '2.68', '2.67'],
    [1.005, 3, '1.01', '1.00'],
    [-2.675, 3, '-2.68', '-2.67'],
    [8.345, 3, '8.35', '8.34'],
  ])('%d to %d figures is rounded as it is written', (value, significantFigures, rounded, cut) => {
    const question = asked({ value, unit: '', significantFigures });
    expect(isCorrectNumber(question, rounded, 'en')).toBe(true);
    expect(isCorrectNumber(question, cut, 'en')).toBe(false);
  });

  test('exact is exact, with a unit that was brought over, too', () => {
    const many = asked({ value: 2_147_483_647, unit: '' });
    expect(isCorrectNumber(many, '2147483647', 'en')).toBe(true);
    expect(isCorrectNumber(many, '2147483648', 'en')).toBe(false);
    expect(isCorrectNumber(asked({ value: 0.3, unit: '' }), '0.30000000000000004', 'en')).toBe(false);
    expect(isCorrectNumber(asked({ value: 10, unit: 'm/s' }), '36 km/h', 'en')).toBe(true);
    expect(isCorrectNumber(asked({ value: 10, unit: 'm/s' }), '36.0001 km/h', 'en')).toBe(false);
    expect(isCorrectNumber(asked({ value: 298.15, unit: 'K' }), '25 °C', 'en')).toBe(true);
    expect(isCorrectNumber(asked({ value: 9.81, unit: 'm/s²' }), '9.81 ms⁻²', 'en')).toBe(true);
    expect(isCorrectNumber(asked({ value: 4.18, unit: 'kJ/(kg·K)' }), '4180 J kg⁻¹ K⁻¹', 'en')).toBe(true);
    expect(isCorrectNumber(asked({ value: 5, unit: 'kg' }), '5 Kg', 'en')).toBe(true);
  });

  test('zeros at the end of a whole number may count', () => {
    const hundred = asked({ value: 100, unit: '', significantFigures: 3 });
    for (const text of ['100', '100.', '1.00e2', '1.00 × 10²']) expect(isCorrectNumber(hundred, text, 'en')).toBe(true);
    for (const text of ['100.0', '1e2', '1.0 × 10²']) expect(isCorrectNumber(hundred, text, 'en')).toBe(false);
  });

  test('the question itself is no answer', () => {
    const product = asked({ value: 391, unit: '' });
    expect(isCorrectNumber(product, '17 × 23', 'en')).toBe(false);
    expect(isCorrectNumber(asked({ value: 1024, unit: '' }), '2^10', 'en')).toBe(false);
    expect(isCorrectNumber(product, '3.91 × 100', 'en')).toBe(true);
  });

  test('money and what is counted are known by their names', () => {
    const cost = asked({ value: 5, unit: '€' });
    for (const text of ['€5', '5 €', '5.00€']) expect(isCorrectNumber(cost, text, 'en')).toBe(true);
    for (const text of ['$5', '5', '5 kg']) expect(isCorrectNumber(cost, text, 'en')).toBe(false);
    const crowd = asked({ value: 12, unit: 'people' });
    expect(isCorrectNumber(crowd, '12 People', 'en')).toBe(true);
    expect(isCorrectNumber(crowd, '12 pupils', 'en')).toBe(false);
    expect(isCorrectNumber(asked({ value: 5, unit: '' }), '$5', 'en')).toBe(true);
  });

  /** fraction.js reckons with whole numbers of any length: a reference that knows no rounding. */
  test('tolerances agree with exact fractions', () => {
    const decimal = fc
      .tuple(fc.integer({ min: -99_999, max: 99_999 }), fc.nat(4))
      .map(([n, places]) => n / 10 ** places);
    const near = fc.integer({ min: -3, max: 3 });
    fc.assert(
      fc.property(decimal, decimal.map(Math.abs), near, fc.boolean(), (value, by, steps, isPercent) => {
        const spread = isPercent ? new Fraction(value).abs().mul(by).div(100) : new Fraction(by);
        // At the edge and a little beside it, where rounding would show.
        const given = new Fraction(value).add(spread).add(new Fraction(steps, 10_000_000));
        const text = `${given.s < 0n ? '-' : ''}${given.n}/${given.d}`;
        const question = asked({
          ...{ value, unit: '' },
          tolerance: isPercent ? { kind: 'relative', percent: by } : { kind: 'absolute', by },
        });
        const isRight = given.sub(new Fraction(value)).abs().compare(spread) <= 0;
        expect(isCorrectNumber(question, text, 'en'), `${text} for ${value} ± ${by}`).toBe(isRight);
      }),
    );
  });
});

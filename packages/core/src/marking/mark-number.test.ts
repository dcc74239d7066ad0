import fc from 'fast-check';
import { unit as referenceUnit } from 'mathjs';
import { describe, expect, test } from 'vitest';
import { everyKind } from '../examples/every-kind.ts';
import type { NumericQuestion } from '../question/question.ts';
import { convert, isCorrectNumber, isKnownUnit } from './mark-number.ts';
import { parseNumber } from './parse-number.ts';

describe('numbers as they are written', () => {
  test.each([
    ['3.2', 'en', 3.2, 2],
    ['3,2', 'de', 3.2, 2],
    ['3,2', 'en', 3.2, 2],
    ['3.2', 'de', 3.2, 2],
    ['3,200', 'en', 3200, 2],
    ['3,200', 'de', 3.2, 4],
    ['3.200', 'de', 3200, 2],
    ['3.200', 'en', 3.2, 4],
    ['3 200', 'en', 3200, 2],
    ['3\u202f200', 'fr', 3200, 2],
    ['12 345 678', 'en', 12_345_678, 8],
    ["3'200", 'de-CH', 3200, 2],
    ['1.234,5', 'de', 1234.5, 5],
    ['1,234.50', 'de', 1234.5, 6],
    ['3.2e3', 'en', 3200, 2],
    ['3,2E-3', 'de', 0.0032, 2],
    ['3.2 × 10^3', 'en', 3200, 2],
    ['3.2·10³', 'en', 3200, 2],
    ['-5', 'en', -5, 1],
    ['−5', 'en', -5, 1],
    ['.5', 'en', 0.5, 1],
    ['-,5', 'de', -0.5, 1],
    ['0.0050', 'en', 0.005, 2],
    ['½', 'en', 0.5, 1],
    ['1½', 'en', 1.5, 1],
    ['1 1/2', 'en', 1.5, 1],
    ['3/4', 'en', 0.75, 1],
  ])('%j in %s is %d, to %d figures', (text, locale, value, figures) => {
    expect(parseNumber(text, locale)).toEqual({ value, figures, rest: '' });
  });

  test.each([
    ['12 kN', 12, 'kN'],
    ['3 m/s', 3, 'm/s'],
    ['3e', 3, 'e'],
    ['20 %', 20, '%'],
    ['5 eggs', 5, 'eggs'],
    ['3 20', 3, '20'],
  ])('%j is %d, and then %j', (text, value, rest) => expect(parseNumber(text, 'en')).toMatchObject({ value, rest }));

  test.each(['', 'kN', 'about 3', '1.2.3', '1,2,3', '1e999', '1/0'])('%j is no number', (text) =>
    expect(parseNumber(text, 'en')).toBeNull(),
  );

  test('what a language writes, it reads', () => {
    const numbers = fc.double({ min: -1e12, max: 1e12, noNaN: true });
    fc.assert(
      fc.property(numbers, fc.constantFrom('en', 'de', 'fr', 'sv', 'de-CH', 'pt-BR'), (number, locale) => {
        const written = new Intl.NumberFormat(locale, { maximumFractionDigits: 4 }).format(number);
        expect(parseNumber(written, locale)?.value).toBeCloseTo(Number(number.toFixed(4)), 3);
      }),
    );
  });
});

/** Against mathjs, a library that keeps its own table of units. */
test.each([
  [3.2, 'kN', 'N'],
  [250, 'g', 'kg'],
  [1, 'MPa', 'N/mm^2'],
  [36, 'km/h', 'm/s'],
  [5, 'µm', 'mm'],
  [2, 'h', 's'],
  [12, 'm^2', 'cm^2'],
  [1, 'kWh', 'J'],
  [3, 'kg*m/s^2', 'N'],
])('%d %s in %s', (value, from, to) => {
  const wanted = referenceUnit(value, from.replace('µ', 'u')).toNumber(to);
  const got = convert(value, from, to) as number;
  expect(Math.abs(got - wanted) / Math.abs(wanted)).toBeLessThan(1e-12);
});

/** 20 °C are 68 °F: by definition of the scales. */
test('temperatures are more than a factor apart', () => {
  expect(convert(20, '°C', '°F')).toBeCloseTo(68, 9);
  expect(convert(1, 'kg', 'm')).toBeNull();
  expect(convert(1, 'blorb', 'm')).toBeNull();
});

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

  test('a unit the library does not know is told before anybody is asked for it', () => {
    expect(isKnownUnit('kN/m²')).toBe(true);
    expect(isKnownUnit('')).toBe(true);
    expect(isKnownUnit('blorb')).toBe(false);
  });
});

import fc from 'fast-check';
import Fraction from 'fraction.js';
import { describe, expect, test } from 'vitest';
import { parseNumber, writeNumber } from './parse-number.ts';

describe('numbers as they are written', () => {
  test.each<[string, string, number, number, number?]>([
    ['3.2', 'en', 3.2, 2],
    ['3,2', 'de', 3.2, 2],
    ['3,2', 'en', 3.2, 2],
    ['3.2', 'de', 3.2, 2],
    ['3,200', 'en', 3200, 2, 4],
    ['3,200', 'de', 3.2, 4],
    ['3.200', 'de', 3200, 2, 4],
    ['3.200', 'en', 3.2, 4],
    ['3 200', 'en', 3200, 2, 4],
    ['3\u202f200', 'fr', 3200, 2, 4],
    ['12 345 678', 'en', 12_345_678, 8],
    ["3'200", 'de-CH', 3200, 2, 4],
    ['1.234,5', 'de', 1234.5, 5],
    ['1,234.50', 'de', 1234.5, 6],
    ['3.2e3', 'en', 3200, 2],
    ['3,2E-3', 'de', 0.0032, 2],
    ['3.2 × 10^3', 'en', 3200, 2],
    ['3.2·10³', 'en', 3200, 2],
    ['3 × 10-3', 'en', 0.003, 1],
    ['3 × 10⁻³', 'en', 0.003, 1],
    ['3 × 100', 'en', 300, 1],
    ['2 × 10 × 100', 'en', 2000, 1],
    ['10^5', 'en', 100_000, 1, 2],
    ['10⁵', 'en', 100_000, 1, 2],
    ['10²', 'en', 100, 1, 2],
    ['10^(-3)', 'en', 0.001, 1, 2],
    ['100', 'en', 100, 1, 3],
    ['100.', 'en', 100, 3],
    ['5.', 'en', 5, 1],
    ['5,', 'de', 5, 1],
    ['x = 5', 'en', 5, 1],
    ['v_1=5', 'en', 5, 1],
    ['= −5', 'en', -5, 1],
    ['≈ 5.0', 'en', 5, 2],
    ['-5', 'en', -5, 1],
    ['−5', 'en', -5, 1],
    ['\u20115', 'en', -5, 1],
    ['\u20135', 'en', -5, 1],
    ['\uff0d5', 'en', -5, 1],
    ['.5', 'en', 0.5, 1],
    ['-,5', 'de', -0.5, 1],
    ['0.0050', 'en', 0.005, 2],
    ['½', 'en', 0.5, 1],
    ['1½', 'en', 1.5, 1],
    ['1 1/2', 'en', 1.5, 1],
    ['3/4', 'en', 0.75, 1],
  ])('%j in %s is %d, to %d figures', (text, locale, value, min, max = min) => {
    const read = parseNumber(text, locale);
    expect(read?.value.toNumber()).toBe(value);
    expect(read).toMatchObject({ figures: { min, max }, rest: '' });
  });

  test.each([
    ['12 kN', 12, 'kN'],
    ['3 m/s', 3, 'm/s'],
    ['5. m', 5, 'm'],
    ['3e', 3, 'e'],
    ['20 %', 20, '%'],
    ['5 eggs', 5, 'eggs'],
    ['3 20', 3, '20'],
    ['5 m²', 5, 'm^2'],
    ['5 ms⁻²', 5, 'ms^-2'],
    ['3 × 10 kg', 30, 'kg'],
    ['17 × 23', 17, '× 23'],
    ['2^10', 2, '^10'],
    ['$5', 5, '$'],
    ['-€ 5.20', -5.2, '€'],
  ])('%j is %d, and then %j', (text, value, rest) => {
    const read = parseNumber(text, 'en');
    expect([read?.value.toNumber(), read?.rest]).toEqual([value, rest]);
  });

  test.each(['', 'kN', 'about 3', '1.2.3', '1,2,3', '1e999', '10^309', '3 × 10^308 × 10', '1/0', '$', 'x ='])(
    '%j is no number',
    (text) => expect(parseNumber(text, 'en')).toBeNull(),
  );

  test('what a language writes, it reads', () => {
    const numbers = fc.double({ min: -1e12, max: 1e12, noNaN: true });
    fc.assert(
      fc.property(numbers, fc.constantFrom('en', 'de', 'fr', 'sv', 'de-CH', 'pt-BR'), (number, locale) => {
        const written = new Intl.NumberFormat(locale, { maximumFractionDigits: 4 }).format(number);
        expect(parseNumber(written, locale)?.value.toNumber()).toBeCloseTo(Number(number.toFixed(4)), 3);
      }),
    );
  });
});

const locales = fc.constantFrom('en', 'de', 'fr', 'sv', 'de-CH', 'pt-BR', 'en-IN', 'ar-EG', 'hi-IN');
const figuresOf = (digits: bigint, places: number) => {
  const text = digits.toString().padStart(places + 1, '0');
  return places === 0 ? text : `${text.slice(0, -places)}.${text.slice(-places)}`;
};

/** fraction.js reckons with whole numbers of any length: a reference that knows no rounding. */
test('what is typed is read exactly', () => {
  const digits = fc.bigInt({ min: 0n, max: 10n ** 25n });
  fc.assert(
    fc.property(digits, fc.nat(20), fc.integer({ min: -30, max: 30 }), fc.boolean(), (whole, places, power, isLess) => {
      const plain = (isLess ? '-' : '') + figuresOf(whole, places);
      const exact = new Fraction(plain).mul(new Fraction(10).pow(power) as Fraction);
      for (const text of [`${plain}e${power}`, `${plain} × 10^${power}`, `${plain}·10^(${power})`]) {
        const read = parseNumber(text, 'en')?.value.toFixed();
        expect(new Fraction(read as string).equals(exact), text).toBe(true);
      }
    }),
  );
});

/** So near to nought, binary numbers have few figures themselves. */
const isUsual = (value: number) => value === 0 || Math.abs(value) > 1e-300;

test('what is written of a key is read as the same number, with its figures', () => {
  const numbers = fc.double({ min: -1e300, max: 1e300, noNaN: true });
  const few = fc.double({ min: -1e7, max: 1e7, noNaN: true });
  fc.assert(
    fc.property(
      fc.oneof(numbers, few, fc.maxSafeInteger()).filter(isUsual),
      fc.option(fc.integer({ min: 1, max: 9 })),
      locales,
      (value, figures, locale) => {
        const text = writeNumber(value, locale, figures ?? undefined);
        const read = parseNumber(text, locale);
        const wanted = figures === null ? value : Number(value.toPrecision(figures));
        // `toPrecision` rounds the binary number, which at a half can be one in the last figure away.
        const spread = Math.abs(wanted) * 10 ** -(figures === null ? 16 : figures - 1);
        expect(Math.abs((read?.value.toNumber() ?? Number.NaN) - wanted), text).toBeLessThanOrEqual(spread);
        if (figures === null || value === 0) return;
        expect(read?.figures.min, text).toBeLessThanOrEqual(figures);
        expect(read?.figures.max, text).toBeGreaterThanOrEqual(figures);
      },
    ),
  );
});

test.each([
  [3.2, 'de', undefined, '3,2'],
  [1234.5, 'en', undefined, '1,234.5'],
  [1234.5, 'de', undefined, '1.234,5'],
  [-5, 'en', undefined, '−5'],
  [100, 'en', 3, '100'],
  [9.806, 'sv', 3, '9,81'],
  [0.00005, 'en', 2, '0.000050'],
  [3e20, 'en', 2, '3.0 × 10²⁰'],
  [1.0000000000000001e-7, 'en', undefined, '0.00000010000000000000001'],
  [1.5e-9, 'de', undefined, '1,5 × 10⁻⁹'],
])('%d in %s to %s figures is written %j', (value, locale, figures, text) =>
  expect(writeNumber(value, locale, figures)).toBe(text),
);

import { unit as referenceUnit } from 'mathjs';
import { describe, expect, test } from 'vitest';
import { convert, isKnownUnit, isSameUnit, isUnitOrName } from './units.ts';

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
  [3, 'J/(kg K)', 'J/(g K)'],
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

/** By definition: 0 °C are 273.15 K (SI Brochure, 9th edition, 2.3.1). */
test.each([
  [25, '°C', 'K', 298.15],
  [298.15, 'K', '°C', 25],
  [25, '℃', 'K', 298.15],
  [3, 'm s⁻²', 'm/s²', 3],
  [3, 'ms⁻²', 'm/s^2', 3],
  [3, 'm·s^-2', 'm/s²', 3],
  [3, 'N·m', 'J', 3],
  [3, 'Nm', 'J', 3],
  [3, 'kJ/(kg·K)', 'J/(kg·K)', 3000],
  [3, 'kJ kg⁻¹ K⁻¹', 'J/kg·K', 3000],
  [5, 'Kg', 'g', 5000],
  [5, 'KM', 'm', 5000],
  [2, 's⁻¹', 'Hz', 2],
  [2, '1/s', 'Hz', 2],
])('%d %s in %s is %d', (value, from, to, wanted) => expect(convert(value, from, to)).toBeCloseTo(wanted, 9));

test.each([
  ['mm', 'm²'],
  ['mm²', 'm³'],
  ['ms', 'm·s'],
  ['kg', 'm'],
  ['people', 'kg'],
])('%s is no way to write %s', (from, to) => expect(convert(1, from, to)).toBeNull());

test('one unit is written in many ways', () => {
  for (const [a, b] of [
    ['m/s²', 'm s⁻²'],
    ['N·m', 'Nm'],
    ['K·kg', 'kg K'],
    ['m2', 'm²'],
  ] as const)
    expect(isSameUnit(a, b), `${a} ${b}`).toBe(true);
  expect(isSameUnit('m/s', 'm/s²')).toBe(false);
});

describe('what can stand behind a number', () => {
  test.each(['', 'kN/m²', 'J/(kg·K)', 'K', '€', 'people', 'cm³'])('%j', (unit) =>
    expect(isUnitOrName(unit)).toBe(true),
  );
  test.each(['kN/blorb²', 'people/7', '20', 'm 20', '()', `${'x'.repeat(41)}/s`])('not %j', (unit) =>
    expect(isUnitOrName(unit)).toBe(false),
  );
  test('a name alone is no unit', () => expect(isKnownUnit('people')).toBe(false));
});

import { Decimal } from 'decimal.js';
import Qty from 'js-quantities';
import type { NumericQuestion } from '../question/question.ts';
import { parseNumber } from './parse-number.ts';

/** Longer than any unit; the units library is given nothing beyond it. */
const longestUnit = 40;

/**
 * Whether a typed number is right: read in the language of the class, brought into the unit of the key, and within
 * the tolerance.
 */
export function isCorrectNumber(question: NumericQuestion, text: string, locale: string): boolean {
  const given = parseNumber(text, locale);
  if (!given) return false;
  const value = valueIn(question, given.value, given.rest);
  if (value === null) return false;
  const { significantFigures } = question;
  if (significantFigures === undefined) return isWithin(question, value);
  if (given.figures !== significantFigures) return false;
  // As it is written: 2.675 comes to 2.68, though its nearest binary number lies below the half.
  const rounded = new Decimal(question.value).toSignificantDigits(significantFigures, Decimal.ROUND_HALF_UP).toNumber();
  return question.tolerance.kind === 'exact' ? isClose(value, rounded) : isWithin(question, value);
}

/** The given value in the unit of the key; null where the units do not fit each other. */
function valueIn({ unit, unitNeeded }: NumericQuestion, value: number, givenUnit: string): number | null {
  if (givenUnit === '') return unit !== '' && unitNeeded ? null : value;
  if (unit === '') return null;
  return convert(value, givenUnit, unit);
}

/** Converts by the units library, which knows SI prefixes; null for units it does not know or that do not fit. */
export function convert(value: number, from: string, to: string): number | null {
  const [given, wanted] = [toUnitName(from), toUnitName(to)];
  if (given === wanted) return value;
  if (given.length > longestUnit || wanted.length > longestUnit) return null;
  const converter = findConverter(given, wanted);
  return converter === null ? null : converter(value);
}

type Converter = (value: number) => number;

/** By pair of units, null where they do not fit: a class writes the same few over and over. */
const converters = new Map<string, Converter | null>();
const maxConverters = 500;

function findConverter(from: string, to: string): Converter | null {
  const pair = `${from} ${to}`;
  const known = converters.get(pair);
  if (known !== undefined) return known;
  if (converters.size >= maxConverters) converters.clear();
  const made = makeConverter(from, to);
  converters.set(pair, made);
  return made;
}

function makeConverter(from: string, to: string): Converter | null {
  try {
    return Qty.swiftConverter(from, to);
  } catch {
    // The library throws for every unit it does not know, and for units that do not fit each other.
    return null;
  }
}

/** Whether the units library knows a unit; an empty one is none. */
export function isKnownUnit(unit: string): boolean {
  if (unit === '') return true;
  try {
    Qty(1, toUnitName(unit));
    return unit.length <= longestUnit;
  } catch {
    return false;
  }
}

/** Written as the library reads it: m² as m2, µ as u, · as *, °C as tempC. */
function toUnitName(unit: string): string {
  return unit
    .normalize('NFKC')
    .trim()
    .replace(/\u03bc/g, 'u')
    .replace(/[·⋅×]/g, '*')
    .replace(/\^/g, '')
    .replace(/°\s*C/g, 'tempC')
    .replace(/°\s*F/g, 'tempF')
    .replace(/°/g, 'deg');
}

function isWithin({ value, tolerance }: NumericQuestion, given: number): boolean {
  if (tolerance.kind === 'exact') return isClose(given, value);
  const by = tolerance.kind === 'absolute' ? tolerance.by : (Math.abs(value) * tolerance.percent) / 100;
  return Math.abs(given - value) <= by || isClose(Math.abs(given - value), by);
}

/** Equal but for the last binary digits that converting and adding leave behind. */
function isClose(a: number, b: number): boolean {
  return Math.abs(a - b) <= 1e-9 * Math.max(Math.abs(a), Math.abs(b));
}

import { Decimal } from 'decimal.js';
import { parseNumber } from '../numbers/parse-number.ts';
import { convert, isKnownUnit, isSameUnit } from '../numbers/units.ts';
import type { NumericQuestion } from '../question/question.ts';
import { normaliseText } from './text-match.ts';

/**
 * Whether a typed number is right: read in the language of the class, brought into the unit of the key, and within
 * the tolerance. Reckoned in tens as it is written, so that what is exact is exact.
 */
export function isCorrectNumber(question: NumericQuestion, text: string, locale: string): boolean {
  const given = parseNumber(text, locale);
  if (!given) return false;
  const value = valueIn(question, given.value, given.rest);
  if (value === null) return false;
  const { significantFigures, tolerance } = question;
  if (significantFigures === undefined) return isWithin(question, value);
  if (significantFigures < given.figures.min || significantFigures > given.figures.max) return false;
  if (tolerance.kind !== 'exact') return isWithin(question, value);
  return value.eq(new Decimal(question.value).toSignificantDigits(significantFigures, Decimal.ROUND_HALF_UP));
}

/** The given value in the unit of the key; null where the units do not fit each other. */
function valueIn({ unit, unitNeeded }: NumericQuestion, value: Decimal, givenUnit: string): Decimal | null {
  if (givenUnit === '') return unit !== '' && unitNeeded ? null : value;
  // A sign of money carries no scale: five is five, whether in dollars or not.
  if (unit === '') return /^\p{Sc}$/u.test(givenUnit) ? value : null;
  if (isSameUnit(givenUnit, unit)) return value;
  // What is counted or paid with is known by its name alone.
  if (!isKnownUnit(unit)) return asName(givenUnit) === asName(unit) ? value : null;
  const converted = convert(value.toNumber(), givenUnit, unit);
  // The library converts by binary numbers; their last digits are no part of the answer.
  return converted === null || !Number.isFinite(converted) ? null : new Decimal(converted).toSignificantDigits(15);
}

const asName = (unit: string) => normaliseText(unit, { caseMatters: false, accentsMatter: true });

function isWithin(question: NumericQuestion, given: Decimal): boolean {
  return given.minus(question.value).abs().lte(spreadOf(question));
}

/** How far off an answer may be, in the unit of the key; 0 where it has to be exact. */
export function spreadOf({ value, tolerance }: Pick<NumericQuestion, 'value' | 'tolerance'>): Decimal {
  if (tolerance.kind === 'exact') return new Decimal(0);
  return tolerance.kind === 'absolute'
    ? new Decimal(tolerance.by)
    : new Decimal(value).abs().times(tolerance.percent).div(100);
}

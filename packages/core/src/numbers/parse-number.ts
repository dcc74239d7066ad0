import { Decimal } from 'decimal.js';

/** Sixty figures: more than anybody types, and room for sums and products of what is typed. */
const Exact = Decimal.clone({ precision: 60, rounding: Decimal.ROUND_HALF_UP });

export interface ParsedNumber {
  /** As it is written, in tens and not in twos; a fraction to sixty figures. */
  readonly value: Decimal;
  /** How many figures may be significant: zeros at the end of a whole number may count or not. */
  readonly figures: { readonly min: number; readonly max: number };
  /** What stands behind the number, and a sign of money before it. */
  readonly rest: string;
}

const numberForm = /^([+-]?)\s*(\d(?:[\d.,]*\d)?)(?:\s+(\d+))?(?:\s*[/\u2044]\s*(\d+))?/u;
/** A point that ends a sentence, or shows that zeros before it count: `5.`, `100.` */
const endPoint = /^[.,](?![\d.,])/u;
/** Answers and keys are at most two hundred signs, so spaces need no more here. */
const exponentForm = /^(?:\s{0,9}\^\s{0,9}\(?([+-]?\d{1,3})\)?|\s{0,200}e([+-]?\d{1,3})(?![\d\p{L}]))/iu;
const timesForm = /^\s{0,200}[x×*·⋅]\s{0,200}(?=\d)/iu;
/** `3 × 10-3`: a power of ten whose little numbers were typed as plain ones. */
const tenForm = /^10([+-]\d{1,3})(?!\d)/u;
/** Beyond what any number here can be; what comes to too much is refused by its size. */
const largestExponent = 400;

interface Factor {
  readonly value: Decimal;
  readonly figures: ParsedNumber['figures'];
  readonly behind: string;
}

/**
 * Reads a number as students write it, with something behind it: `3.2`, `3,2`, `3 200`, `3,200.5`, `3.2e3`,
 * `3.2 × 10^3`, `3 × 100`, `10⁵`, `-5`, `1/2`, `1½`, `5.`, `x = 5`, `$5`. A mark that can only be one thing is read as
 * that; where a comma or a point could both group and divide ("3,200"), the language decides.
 * @param locale BCP 47 tag of the class
 * @returns null when it does not begin with a number
 */
export function parseNumber(text: string, locale: string): ParsedNumber | null {
  const { plain, money } = toPlainWriting(text);
  const first = readFactor(plain, locale);
  if (!first) return null;
  let { value, behind } = first;
  for (let times = timesForm.exec(behind); times; times = timesForm.exec(behind)) {
    const next = readPowerOfTen(behind.slice(times[0].length)) ?? readFactor(behind.slice(times[0].length), locale);
    // A reckoning is no result: whoever is asked for 17 × 23 cannot answer "17 × 23".
    if (!next?.value.toExponential().startsWith('1e')) break;
    value = value.times(next.value);
    behind = next.behind;
  }
  if (!value.isFinite() || value.abs().gt(Number.MAX_VALUE)) return null;
  return { value, figures: first.figures, rest: (money + behind).trim() };
}

/** A number with at most one power: `3.2`, `1 1/2`, `10^5`, `3e4`. */
function readFactor(plain: string, locale: string): Factor | null {
  const found = numberForm.exec(plain);
  if (!found) return null;
  let [whole, sign = '', digits = '', numerator, denominator] = found;
  // "3 200" was joined before; two numbers side by side without a fraction are not one number.
  if (numerator !== undefined && denominator === undefined) whole = whole.slice(0, -numerator.length).trimEnd();
  const decimal = toPlainDecimal(digits, decimalMarkOf(locale));
  if (decimal === null) return null;
  const rest = plain.slice(whole.length);
  const negate = (size: Decimal) => (sign === '-' ? size.negated() : size);
  if (denominator !== undefined) {
    const size = fractionOf(new Exact(decimal), numerator, new Exact(denominator));
    return { value: negate(size), figures: figuresOf(decimal, false), behind: rest };
  }
  const point = endPoint.exec(rest)?.[0] ?? '';
  const figures = figuresOf(decimal, point !== '');
  const afterPoint = rest.slice(point.length);
  const power = exponentForm.exec(afterPoint);
  // Of powers, too, only those of ten are a way of writing a number.
  if (!power || (power[1] !== undefined && decimal !== '10'))
    return { value: negate(new Exact(decimal)), figures, behind: afterPoint };
  const [all, toThe, tens] = power;
  const exponent = Number(toThe ?? tens);
  if (Math.abs(exponent) > largestExponent) return null;
  const size = toThe === undefined ? new Exact(`${decimal}e${exponent}`) : new Exact(decimal).pow(exponent);
  return { value: negate(size), figures, behind: afterPoint.slice(all.length) };
}

function readPowerOfTen(plain: string): Factor | null {
  const found = tenForm.exec(plain);
  if (!found || Math.abs(Number(found[1])) > largestExponent) return null;
  return { value: new Exact(`1e${found[1]}`), figures: { min: 1, max: 1 }, behind: plain.slice(found[0].length) };
}

const superscripts = /[\u207a\u207b]?[\u00b9\u00b2\u00b3\u2070\u2074-\u2079]+/gu;

/** Little numbers above the line, written behind `^`, so that 10⁵ does not become 105. */
export const withPlainPowers = (text: string): string =>
  text.replace(superscripts, (little) => `^${withPlainSigns(little.normalize('NFKC'))}`);

/** Every sign that looks like a minus is one. */
export const withPlainSigns = (text: string): string => text.replace(/[\u2010-\u2015\u2212\ufe58\ufe63\uff0d]/gu, '-');

/**
 * One minus sign, no marks or spaces between groups of three, a nought before a leading mark, fractions apart; without
 * what is said to be equal to the number (`x = `), and with the sign of money that stands before it set apart.
 */
function toPlainWriting(text: string): { readonly plain: string; readonly money: string } {
  const signs = withPlainSigns(
    withPlainPowers(text.replace(/(\d)\s*(?=[\u00bc-\u00be\u2150-\u215e])/gu, '$1 ')).normalize('NFKC'),
  );
  const told = signs.trim().replace(/^(?:\p{L}[\p{L}\p{N}_]{0,9}\s{0,9})?[=≈]\s{0,9}/u, '');
  const money = /^([+-]?)\s{0,9}(\p{Sc})\s{0,9}(?=[\d.,])/u.exec(told);
  const amount = money ? (money[1] as string) + told.slice(money[0].length) : told;
  const plain = amount
    .replace(/(?<=\d)[\s'\u2019](?=\d{3}(?!\d))/gu, '')
    .replace(/^([+-]?)\s*(?=[.,]\d)/u, (_, sign: string) => `${sign}0`);
  return { plain, money: money?.[2] ?? '' };
}

function fractionOf(first: Decimal, second: string | undefined, denominator: Decimal): Decimal {
  return second === undefined ? first.div(denominator) : first.plus(new Exact(second).div(denominator));
}

/** By language; asking for it takes longer than all the rest of reading a number. */
const decimalMarks = new Map<string, '.' | ','>();

function decimalMarkOf(locale: string): '.' | ',' {
  const known = decimalMarks.get(locale);
  if (known) return known;
  const parts = new Intl.NumberFormat(locale).formatToParts(1.5);
  const mark = parts.find((part) => part.type === 'decimal')?.value === ',' ? ',' : '.';
  decimalMarks.set(locale, mark);
  return mark;
}

/** Digits with at most one point, or null where the marks make no sense. */
function toPlainDecimal(digits: string, decimalMark: '.' | ','): string | null {
  const marks = decimalMark === '.' ? ([',', '.'] as const) : (['.', ','] as const);
  for (const [group, decimal] of [marks, marks.toReversed()] as [string, string][]) {
    const [whole = '', fraction, ...more] = digits.split(decimal);
    if (more.length > 0 || fraction?.includes(group)) continue;
    const groups = whole.split(group);
    const isGrouped = /^\d{1,3}$/u.test(groups[0] as string) && groups.slice(1).every((one) => /^\d{3}$/u.test(one));
    if (groups.length > 1 && !isGrouped) continue;
    return groups.join('') + (fraction === undefined ? '' : `.${fraction}`);
  }
  return null;
}

/** Zeros at the end of a whole number count, do not, or some of them: nobody can tell by looking, so each is allowed. */
function figuresOf(decimal: string, hasEndPoint: boolean): ParsedNumber['figures'] {
  const [whole = '', fraction] = decimal.split('.');
  const digits = (whole + (fraction ?? '')).replace(/^0+/u, '');
  const max = Math.max(1, digits.length);
  const counts = fraction !== undefined || hasEndPoint;
  return { min: counts ? max : Math.max(1, withoutZeros(digits).length), max };
}

function withoutZeros(digits: string): string {
  let end = digits.length;
  while (end > 0 && digits[end - 1] === '0') end--;
  return digits.slice(0, end);
}

/**
 * Writes a number as the class writes it, and so that `parseNumber` reads the same number again; what is too long for
 * that as a power of ten.
 * @param figures significant figures, where they count
 */
export function writeNumber(value: number, locale: string, figures?: number): string {
  const exact = new Exact(value);
  const shown = figures === undefined ? exact : exact.toSignificantDigits(figures);
  if (shown.isZero() || (shown.e <= 15 && shown.e >= -7)) return inDigits(shown, locale, figures);
  const mantissa = shown.div(new Exact(10).pow(shown.e));
  return `${inDigits(mantissa, locale, figures)} × 10${superscriptOf(shown.e)}`;
}

function inDigits(value: Decimal, locale: string, figures: number | undefined): string {
  const places = figures === undefined ? value.decimalPlaces() : Math.max(0, figures - 1 - value.e);
  const plain = value.toFixed(places);
  const written = inGroups(value.toNumber(), places, locale);
  // Not every language's groups and digits are read; plain ones are, in each.
  const isRead = written !== null && (parseNumber(written, locale)?.value.eq(plain) ?? false);
  const shown = isRead ? written : decimalMarkOf(locale) === ',' ? plain.replace('.', ',') : plain;
  return shown.replace('-', '\u2212');
}

/** As many places as every engine's own writing of numbers knows. */
const mostPlaces = 20;

function inGroups(value: number, places: number, locale: string): string | null {
  if (places > mostPlaces) return null;
  return new Intl.NumberFormat(locale, { minimumFractionDigits: places, maximumFractionDigits: places }).format(value);
}

const superscriptOf = (exponent: number) =>
  [...String(exponent)].map((sign) => (sign === '-' ? '⁻' : '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(sign)])).join('');

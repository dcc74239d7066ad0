export interface ParsedNumber {
  readonly value: number;
  /** How many figures are significant; zeros at the end count only behind a decimal mark. */
  readonly figures: number;
  /** What stands behind the number. */
  readonly rest: string;
}

const numberForm = /^([+-]?)\s*(\d(?:[\d.,]*\d)?)(?:\s+(\d+))?(?:\s*[/\u2044]\s*(\d+))?/u;
/** Answers and keys are at most two hundred signs, so spaces need no more here. */
const powerForm = /^\s{0,200}(?:e([+-]?\d{1,3})(?![\d\p{L}])|[x×*·⋅]\s{0,9}10\s{0,9}\^?\s{0,9}([+-]?\d{1,3}))/iu;

/**
 * Reads a number as students write it, with something behind it: `3.2`, `3,2`, `3 200`, `3,200.5`, `3.2e3`,
 * `3.2 × 10^3`, `-5`, `1/2`, `1½`. A mark that can only be one thing is read as that; where a comma or a point could
 * both group and divide ("3,200"), the language decides.
 * @param locale BCP 47 tag of the class
 * @returns null when it does not begin with a number
 */
export function parseNumber(text: string, locale: string): ParsedNumber | null {
  const plain = toPlainWriting(text);
  const found = numberForm.exec(plain);
  if (!found) return null;
  let [whole, sign = '', digits = '', numerator, denominator] = found;
  // "3 200" was joined before; two numbers side by side without a fraction are not one number.
  if (numerator !== undefined && denominator === undefined) whole = whole.slice(0, -numerator.length).trimEnd();
  const decimal = toPlainDecimal(digits, decimalMarkOf(locale));
  if (decimal === null) return null;
  const behind = plain.slice(whole.length);
  const power = denominator === undefined ? powerForm.exec(behind) : null;
  const magnitude =
    denominator === undefined
      ? Number(`${decimal}e${power?.[1] ?? power?.[2] ?? 0}`)
      : fractionOf(Number(decimal), numerator, Number(denominator));
  if (!Number.isFinite(magnitude)) return null;
  return {
    value: sign === '-' ? -magnitude : magnitude,
    figures: significantFiguresOf(decimal),
    rest: behind.slice(power?.[0].length ?? 0).trim(),
  };
}

/** One minus sign, no marks or spaces between groups of three, a nought before a leading mark, fractions apart. */
function toPlainWriting(text: string): string {
  return text
    .replace(/(\d)\s*(?=[\u00bc-\u00be\u2150-\u215e])/gu, '$1 ')
    .normalize('NFKC')
    .trim()
    .replace(/[\u2212\u2013]/gu, '-')
    .replace(/(?<=\d)[\s'\u2019](?=\d{3}(?!\d))/gu, '')
    .replace(/^([+-]?)\s*(?=[.,]\d)/u, (_, sign: string) => `${sign}0`);
}

function fractionOf(first: number, second: string | undefined, denominator: number): number {
  return second === undefined ? first / denominator : first + Number(second) / denominator;
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

function significantFiguresOf(decimal: string): number {
  const [whole = '', fraction] = decimal.split('.');
  const digits = (whole + (fraction ?? '')).replace(/^0+/u, '');
  return Math.max(1, (fraction === undefined ? withoutZeros(digits) : digits).length);
}

function withoutZeros(digits: string): string {
  let end = digits.length;
  while (end > 0 && digits[end - 1] === '0') end--;
  return digits.slice(0, end);
}

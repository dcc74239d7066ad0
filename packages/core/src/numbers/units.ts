import Qty from 'js-quantities';
import { withPlainPowers, withPlainSigns } from './parse-number.ts';

/** Longer than any unit; the units library is given nothing beyond it. */
const longestUnit = 40;

interface UnitPiece {
  readonly symbol: string;
  readonly power: number;
  /** Above the stroke 1, below it −1. */
  readonly side: number;
}

/**
 * Converts by the units library, which knows SI prefixes.
 * @returns null for units it does not know or that do not fit each other
 */
export function convert(value: number, from: string, to: string): number | null {
  if (from.length > longestUnit || to.length > longestUnit) return null;
  const converter = findConverter(from, to);
  return converter === null ? null : converter(value);
}

/** Whether the units library knows a unit; an empty one is none. */
export function isKnownUnit(unit: string): boolean {
  if (unit === '') return true;
  return unit.length <= longestUnit && readings(unit).some(isReadable);
}

/** Whether something can stand behind a number: a known unit, or a name alone, such as `people` or `€`. */
export function isUnitOrName(unit: string): boolean {
  return isKnownUnit(unit) || /^[\p{L}\p{M}\p{Sc}\s.'-]+$/u.test(unit);
}

/** Whether two units are the same but for how they are written: `m/s²` and `m s⁻²`, `N·m` and `Nm`. */
export function isSameUnit(a: string, b: string): boolean {
  if (a === b) return true;
  if (a.length > longestUnit || b.length > longestUnit) return false;
  const wanted = new Set(readings(b));
  return readings(a).some((reading) => wanted.has(reading));
}

type Converter = (value: number) => number;

/** By pair of units, null where they do not fit: a class writes the same few over and over. */
const converters = new Map<string, Converter | null>();
const maxConverters = 500;

function findConverter(from: string, to: string): Converter | null {
  const pair = `${from}\n${to}`;
  const known = converters.get(pair);
  if (known !== undefined) return known;
  if (converters.size >= maxConverters) converters.clear();
  const made = makeConverter(from, to);
  converters.set(pair, made);
  return made;
}

function makeConverter(from: string, to: string): Converter | null {
  for (const given of readings(from))
    for (const wanted of readings(to)) {
      try {
        return Qty.swiftConverter(given, wanted);
      } catch {
        // The library throws for every unit it does not know, and for units that do not fit each other.
      }
    }
  return null;
}

function isReadable(written: string): boolean {
  try {
    Qty(1, written);
    return true;
  } catch {
    return false;
  }
}

/** Scales of temperature that do not begin at nought stand alone; inside another unit they are steps. */
const scales: Readonly<Record<string, string>> = { '°C': 'tempC', '°F': 'tempF', K: 'tempK' };
const steps: Readonly<Record<string, string>> = { '°C': 'degC', '°F': 'degF', K: 'degK', '°': 'deg', Å: 'angstrom' };

/** How the units library may read a unit, the likeliest first: `ms⁻²` as milliseconds, and as metres and seconds. */
function readings(unit: string): readonly string[] {
  const pieces = piecesOf(unit);
  if (pieces.length === 0) return [];
  const [only] = pieces;
  const scale = pieces.length === 1 && only?.power === 1 ? scales[only.symbol] : undefined;
  if (scale) return [scale];
  const asWritten = writtenFor(pieces.map((piece) => ({ ...piece, symbol: symbolOf(piece.symbol) })));
  const apart = pieces.flatMap((piece) => (mayBeTwo(piece) ? splitSymbol(piece) : [piece]));
  return [...new Set([asWritten, writtenFor(apart)])];
}

/** What is no symbol may be two; and nobody measures in milliseconds to a power below nought, but in metres and seconds. */
const mayBeTwo = ({ symbol, power, side }: UnitPiece) => !isReadable(symbolOf(symbol)) || (side > 0 && power < 0);

/** Capitals where a keyboard put them: what is so written can be nothing else. */
const capitals: Readonly<Record<string, string>> = { Kg: 'kg', KG: 'kg', Km: 'km', KM: 'km', Cm: 'cm', CM: 'cm' };

const symbolOf = (symbol: string) => steps[symbol] ?? capitals[symbol] ?? symbol;

/** Two symbols that were written as one word: `ms` in `ms⁻²`, `Nm`. The power is the last one's. */
function splitSymbol(piece: UnitPiece): readonly UnitPiece[] {
  const letters = [...piece.symbol];
  for (let at = 1; at < letters.length; at++) {
    const [first, last] = [letters.slice(0, at), letters.slice(at)].map((some) => symbolOf(some.join(''))) as [
      string,
      string,
    ];
    if (isReadable(first) && isReadable(last))
      return [
        { ...piece, symbol: first, power: piece.side },
        { ...piece, symbol: last },
      ];
  }
  return [{ ...piece, symbol: symbolOf(piece.symbol) }];
}

function writtenFor(pieces: readonly Pick<UnitPiece, 'symbol' | 'power'>[]): string {
  const sums = new Map<string, number>();
  for (const { symbol, power } of pieces) sums.set(symbol, (sums.get(symbol) ?? 0) + power);
  const side = (sign: 1 | -1) =>
    [...sums]
      .filter(([, power]) => power * sign > 0)
      .toSorted(([a], [b]) => (a < b ? -1 : 1))
      .map(([symbol, power]) => (power === sign ? symbol : `${symbol}${power * sign}`))
      .join('*');
  const [above, below] = [side(1), side(-1)];
  return below === '' ? above : `${above === '' ? '1' : above}/${below}`;
}

const tokenForm = /([()/*])|\^?(-?\d{1,2})|([^\s()/*^\d-]+)|(\s+)/gu;

/**
 * Takes a unit apart. What stands behind a stroke is below the line, to its end, or to the next stroke's: `J/kg·K` is
 * J/(kg·K), as it is meant wherever it is written.
 */
function piecesOf(unit: string): readonly UnitPiece[] {
  const plain = withPlainSigns(withPlainPowers(unit.replace(/\u00ba/gu, '°')).normalize('NFKC'))
    .trim()
    .replace(/\u03bc/gu, 'u')
    .replace(/°\s*(?=[CF])/gu, '°')
    .replace(/[·⋅×.]/gu, '*');
  // A number that stands by itself is no power: `m 20`.
  if (/(?:^|[\s()*/])-?\d/u.test(plain.replace(/^1\s*\//u, '/'))) return [];
  const pieces: { symbol: string; power: number; side: number }[] = [];
  let side = 1;
  for (const [, sign, power, symbol] of plain.matchAll(tokenForm)) {
    if (sign === '/') side = -1;
    else if (power !== undefined) {
      const last = pieces.at(-1);
      if (last) last.power *= Number(power);
    } else if (symbol !== undefined) pieces.push({ symbol, power: side, side });
  }
  return pieces;
}

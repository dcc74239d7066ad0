import { parseNumber } from '../numbers/parse-number.ts';
import { isKnownUnit } from '../numbers/units.ts';

/*
 * The lines of questions written as plain text, told apart by how they begin. Each form answers with what stands behind
 * its sign, or null. By hand and not by expressions: what is pasted here can be of any length.
 */

/** What stands behind the dash of an option that is marked as right or wrong. */
export function taskLine(line: string): { readonly correct: boolean; readonly text: string } | null {
  const rest = afterDash(line);
  const box = rest === null ? null : /^\[([ xX])\](?=\s)/u.exec(rest);
  return rest !== null && box ? { correct: box[1] !== ' ', text: rest.slice(3).trim() } : null;
}

/** What stands behind a dash, where no box follows. */
export function bulletLine(line: string): string | null {
  const rest = afterDash(line);
  return rest === null || /^\[[ xX]\]/u.test(rest) ? null : rest;
}

export function numberedLine(line: string): string | null {
  const trimmed = line.trim();
  const sign = /^\d{1,2}[.)](?=\s)/u.exec(trimmed);
  return sign ? trimmed.slice(sign[0].length).trimStart() : null;
}

export function numberLine(line: string): string | null {
  const trimmed = line.trim();
  return trimmed.startsWith('=') && trimmed.length > 1 ? trimmed.slice(1).trimStart() : null;
}

export function quoteLine(line: string): string | null {
  const trimmed = line.trimStart();
  if (!trimmed.startsWith('>')) return null;
  return /^\s/u.test(trimmed.slice(1, 2)) ? trimmed.slice(2) : trimmed.slice(1);
}

export const hintLine = (line: string) => afterSign(line, '?');
export const noteLine = (line: string) => afterSign(line, '!');

const arrows = ['->', '→', '⟶'];

/** The words on both sides of the first arrow. */
export function arrowSides(text: string): readonly [left: string, right: string] | null {
  const found = arrows
    .map((arrow) => ({ arrow, at: text.indexOf(arrow) }))
    .filter(({ at }) => at >= 0)
    .toSorted((a, b) => a.at - b.at)[0];
  return found ? [text.slice(0, found.at).trim(), text.slice(found.at + found.arrow.length).trim()] : null;
}

/** As long as a typed answer can be. */
const longestNumber = 200;
const pointsForm = /^(\d{1,9}(?:[.,]\d{1,9})?)\s{0,9}(?:points?|p|pts?)\.?$/iu;

/** Points in round brackets at the end of what is asked, and what is asked without them. */
export function splitPoints(text: string): { readonly stem: string; readonly points: number | null } {
  const trimmed = text.trim();
  const open = trimmed.endsWith(')') ? trimmed.lastIndexOf('(') : -1;
  const found = open < 0 ? null : pointsForm.exec(trimmed.slice(open + 1, -1).trim());
  if (!found) return { stem: trimmed, points: null };
  return { stem: trimmed.slice(0, open).trim(), points: Number(found[1]?.replace(',', '.')) };
}

const spreadSigns = ['±', '+-', '+/-'];

export interface NumberLine {
  readonly value: number;
  readonly unit: string;
  /** How far off an answer may be, and whether in hundredths. */
  readonly by: number | null;
  readonly isPercent: boolean;
}

/**
 * A number with its unit, and how far off an answer may be, read as answers are; null where it is none.
 * @param locale BCP 47 tag
 */
export function readNumberLine(text: string, locale: string): NumberLine | null {
  const sign = spreadSigns
    .map((one) => ({ one, at: text.indexOf(one, 1) }))
    .filter(({ at }) => at >= 0)
    .toSorted((a, b) => a.at - b.at || b.one.length - a.one.length)[0];
  const told = parseNumber((sign ? text.slice(0, sign.at) : text).trim().slice(0, longestNumber), locale);
  // A line that goes on in numbers is no number.
  if (!told || (/\d/u.test(told.rest) && !isKnownUnit(told.rest))) return null;
  const asked = { value: told.value.toNumber(), unit: told.rest };
  if (!sign) return { ...asked, by: null, isPercent: false };
  const spread = parseNumber(
    text
      .slice(sign.at + sign.one.length)
      .trim()
      .slice(0, longestNumber),
    locale,
  );
  if (!spread || spread.value.isNegative()) return null;
  return { ...asked, by: spread.value.toNumber(), isPercent: spread.rest.startsWith('%') };
}

function afterDash(line: string): string | null {
  const trimmed = line.trim();
  return /^[-*+]\s/u.test(trimmed) ? trimmed.slice(1).trimStart() : null;
}

function afterSign(line: string, sign: string): string | null {
  const trimmed = line.trim();
  return trimmed.startsWith(sign) && /^\s/u.test(trimmed.slice(1, 2)) ? trimmed.slice(1).trimStart() : null;
}

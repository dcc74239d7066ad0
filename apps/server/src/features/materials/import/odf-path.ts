import type { Element } from '@xmldom/xmldom';
import { evaluateFormula, type FormulaScope } from './odf-formula.ts';
import { allNamed } from './xml.ts';

const drawing = 'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0';
const svg = 'urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0';

type Point = readonly [number, number];

/** A path in SVG's words, and the box it is drawn in. */
export interface ShapePath {
  readonly d: string;
  readonly viewBox: readonly [number, number, number, number];
  readonly isFilled: boolean;
  readonly isStroked: boolean;
}

/** More formulas than any shape has; they name each other, and each is computed once. */
const maxSteps = 5_000;

/**
 * The outline of a custom shape from its enhanced geometry (OpenDocument 1.3 part 3, 19.145 draw:enhanced-path).
 * @returns null where a command is one we do not know
 */
export function enhancedPath(geometry: Element, size: { width: number; height: number }): ShapePath | null {
  const viewBox = numbersIn(geometry.getAttributeNS(svg, 'viewBox') ?? '');
  const [left = 0, top = 0, width = 21_600, height = 21_600] = viewBox;
  const scope = scopeOf(geometry, { left, top, width, height }, size);
  const source = geometry.getAttributeNS(drawing, 'enhanced-path') ?? '';
  const tokens = source.match(/[A-Z]|\?\w+|\$\d+|-?[\d.]+|[a-z]+/gu) ?? [];
  const parts: string[] = [];
  let isFilled = true;
  let isStroked = true;
  let command = '';
  let given: number[] = [];
  let pen: Point = [left, top];
  const flush = (): boolean => {
    if (command === '') return true;
    const written = writeCommand(command, given, pen);
    pen = (given.length >= 2 ? given.slice(-2) : pen) as unknown as Point;
    given = [];
    if (written === null) return false;
    parts.push(written);
    return true;
  };
  for (const token of tokens) {
    if (/^[A-Z]$/u.test(token)) {
      if (!flush()) return null;
      command = token;
      if (token === 'F') isFilled = false;
      if (token === 'S') isStroked = false;
    } else given.push(evaluateFormula(token, scope));
  }
  if (!flush() || parts.length === 0) return null;
  return { d: parts.join(' ').trim(), viewBox: [left, top, width, height], isFilled, isStroked };
}

function scopeOf(
  geometry: Element,
  box: { left: number; top: number; width: number; height: number },
  size: { width: number; height: number },
): FormulaScope {
  const modifiers = numbersIn(geometry.getAttributeNS(drawing, 'modifiers') ?? '');
  const formulas = new Map(
    allNamed(geometry, 'equation').map((one) => [
      one.getAttributeNS(drawing, 'name') ?? '',
      one.getAttributeNS(drawing, 'formula') ?? '',
    ]),
  );
  const known = new Map<string, number>();
  let steps = 0;
  const constants: Record<string, number> = {
    ...box,
    right: box.left + box.width,
    bottom: box.top + box.height,
    xstretch: box.left,
    ystretch: box.top,
    hasstroke: 1,
    hasfill: 1,
    logwidth: size.width,
    logheight: size.height,
  };
  const scope: FormulaScope = {
    modifier: (index) => modifiers[index] ?? 0,
    constant: (name) => constants[name] ?? 0,
    equation(name) {
      const value = known.get(name);
      if (value !== undefined) return value;
      if (++steps > maxSteps) return 0;
      // One that leads back to itself finds nothing there yet.
      known.set(name, 0);
      const found = evaluateFormula(formulas.get(name) ?? '0', scope);
      known.set(name, found);
      return found;
    },
  };
  return scope;
}

function numbersIn(text: string): number[] {
  return (text.match(/-?[\d.]+(?:e[+-]?\d+)?/giu) ?? []).map(Number);
}

const round = (value: number) => String(Math.round(value * 100) / 100);
const write = (letter: string, values: readonly number[]) => `${letter} ${values.map(round).join(' ')}`;

/** One command with all its numbers, drawn on from where the pen is; null for one that is not known. */
function writeCommand(command: string, given: readonly number[], pen: Point): string | null {
  switch (command) {
    case 'M':
    case 'L':
    case 'C':
    case 'Q':
      return write(command, given);
    case 'Z':
      return 'Z';
    case 'N':
    case 'F':
    case 'S':
      return '';
    case 'U':
    case 'T':
      return chunks(given, 6)
        .map((six) => angleEllipse(six, command === 'U'))
        .join(' ');
    case 'A':
    case 'B':
    case 'W':
    case 'V':
      return chunks(given, 8)
        .map((eight) => boxArc(eight, command))
        .join(' ');
    case 'X':
    case 'Y':
      return quadrants(given, command === 'X', pen);
    default:
      return null;
  }
}

function chunks(values: readonly number[], size: number): number[][] {
  return Array.from({ length: Math.floor(values.length / size) }, (_, i) => values.slice(i * size, (i + 1) * size));
}

/** Centre, half axes, and two angles in degrees; U begins anew, T goes on with a line. */
function angleEllipse(given: readonly number[], begins: boolean): string {
  const [cx, cy, rx, ry, from, to] = given as [number, number, number, number, number, number];
  const at = (degrees: number): [number, number] => [
    cx + rx * Math.cos((degrees * Math.PI) / 180),
    cy + ry * Math.sin((degrees * Math.PI) / 180),
  ];
  const sweep = to - from || 360;
  const [start, middle, end] = [at(from), at(from + sweep / 2), at(from + sweep)];
  const isClockwise = sweep > 0 ? 1 : 0;
  // Two halves: SVG cannot draw a whole turn in one arc.
  const half = (to: readonly [number, number]) => write('A', [rx, ry, 0, 0, isClockwise, ...to]);
  return `${write(begins ? 'M' : 'L', start)} ${half(middle)} ${half(end)}`;
}

/** The box of an ellipse and two points towards which the arc begins and ends; A and B turn left, W and V right. */
function boxArc(given: readonly number[], command: string): string {
  const [x1, y1, x2, y2, x3, y3, x4, y4] = given as [number, number, number, number, number, number, number, number];
  const [cx, cy, rx, ry] = [(x1 + x2) / 2, (y1 + y2) / 2, Math.abs(x2 - x1) / 2, Math.abs(y2 - y1) / 2];
  const angleTo = (x: number, y: number) => Math.atan2((y - cy) / (ry || 1), (x - cx) / (rx || 1));
  const at = (angle: number): [number, number] => [cx + rx * Math.cos(angle), cy + ry * Math.sin(angle)];
  const [from, to] = [angleTo(x3, y3), angleTo(x4, y4)];
  const isClockwise = command === 'W' || command === 'V';
  const turn = 2 * Math.PI;
  const sweep = (((isClockwise ? to - from : from - to) % turn) + turn) % turn;
  const letter = command === 'A' || command === 'W' ? 'L' : 'M';
  return `${write(letter, at(from))} ${write('A', [rx, ry, 0, sweep > Math.PI ? 1 : 0, isClockwise ? 1 : 0, ...at(to)])}`;
}

/** Quarters of ellipses from point to point, leaving along x and along y in turn. */
function quadrants(given: readonly number[], beginsAlongX: boolean, pen: Point): string {
  let [fromX, fromY] = pen;
  return (chunks(given, 2) as [number, number][])
    .map(([x, y], index) => {
      const alongX = beginsAlongX === (index % 2 === 0);
      const isClockwise = (x - fromX) * (y - fromY) > 0 === alongX ? 1 : 0;
      const arc = write('A', [Math.abs(x - fromX), Math.abs(y - fromY), 0, 0, isClockwise, x, y]);
      [fromX, fromY] = [x, y];
      return arc;
    })
    .join(' ');
}

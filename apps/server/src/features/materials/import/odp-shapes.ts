import type { Document, Element } from '@xmldom/xmldom';
import { enhancedPath, type ShapePath } from './odf-path.ts';
import { allNamed, escapeHtml, firstNamed } from './xml.ts';

const svg = 'urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0';
const drawing = 'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0';
const style = 'urn:oasis:names:tc:opendocument:xmlns:style:1.0';

/** CSS pixels per centimetre, at 96 to the inch. */
const pxPerCm = 96 / 2.54;

/** Lengths as ODF writes them (ODF 1.3 part 3, 18.3.18): a number and a unit; in CSS pixels. */
export function toPx(length: string | null): number {
  const [, value = '0', unit = 'cm'] = /^([\d.-]+)(cm|mm|in|pt)?$/.exec(length ?? '') ?? [];
  return Number(value) * { cm: 1, mm: 0.1, in: 2.54, pt: 2.54 / 72 }[unit as 'cm'] * pxPerCm;
}

/** A style leads to its parent, and that to its own; more of them than this are a circle. */
const longestLineage = 12;

/** Reads how shapes are painted: from their styles, and those these come from. */
export function createPainter(sources: readonly Document[]) {
  const styles = new Map<string, Element>();
  for (const source of sources)
    for (const one of allNamed(source, 'style')) styles.set(one.getAttributeNS(style, 'name') ?? '', one);
  return (shape: Element) => {
    const read = (space: string, name: string): string => {
      let own: string | null = shape.getAttributeNS(drawing, 'style-name');
      for (let i = 0; own && i < longestLineage; i++) {
        const found: Element | undefined = styles.get(own);
        const value = found && firstNamed(found, 'graphic-properties')?.getAttributeNS(space, name);
        if (value) return value;
        own = found?.getAttributeNS(style, 'parent-style-name') ?? null;
      }
      return '';
    };
    const isFilled = read(drawing, 'fill') !== 'none' && colourOf(read(drawing, 'fill-color')) !== null;
    const stroke = read(drawing, 'stroke');
    return {
      fill: isFilled ? (colourOf(read(drawing, 'fill-color')) as string) : 'none',
      opacity: shareOf(read(drawing, 'opacity')),
      stroke: stroke === 'none' ? 'none' : (colourOf(read(svg, 'stroke-color')) ?? '#000000'),
      strokeWidth: Math.max(1, toPx(read(svg, 'stroke-width'))),
      isDashed: stroke === 'dash',
      hasArrowAtStart: read(drawing, 'marker-start') !== '',
      hasArrowAtEnd: read(drawing, 'marker-end') !== '',
      textTop: read(drawing, 'textarea-vertical-align') === 'top',
    };
  };
}

export type Paint = ReturnType<ReturnType<typeof createPainter>>;

const colourOf = (value: string): string | null => (/^#[0-9a-f]{6}$/i.test(value) ? value : null);
const shareOf = (value: string): number => (/^\d+%$/.test(value) ? Number(value.slice(0, -1)) / 100 : 1);

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly turn: string;
}

/**
 * A drawn shape as an SVG at its place, with its words on it.
 * @param words what is written in the shape, as HTML; empty for none
 * @returns null for a shape we cannot draw
 */
export function drawShape(shape: Element, paint: Paint, words: string): string | null {
  const lines = lineOf(shape, paint);
  if (lines !== null) return lines;
  const box = boxOf(shape);
  const outline = outlineOf(shape, box);
  if (outline === null) return null;
  const { viewBox, inner } = outline;
  const picture =
    `<svg viewBox="${viewBox}" preserveAspectRatio="none" width="${px(box.width)}" height="${px(box.height)}" ` +
    `style="position: absolute; left: 0px; top: 0px; overflow: visible">${inner(paint)}</svg>`;
  const text = words === '' ? '' : wordsBox(words, paint);
  return place(box, picture + text);
}

const px = (value: number) => String(Math.round(value * 10) / 10);

function place({ x, y, width, height, turn }: Box, inner: string): string {
  return (
    `<div style="position: absolute; left: ${px(x)}px; top: ${px(y)}px; width: ${px(width)}px; ` +
    `height: ${px(height)}px${turn}">${inner}</div>`
  );
}

function wordsBox(words: string, { textTop }: Paint): string {
  return (
    '<div style="position: absolute; left: 0px; top: 0px; width: 100%; height: 100%; display: flex; ' +
    `flex-direction: column; justify-content: ${textTop ? 'flex-start' : 'center'}; text-align: center; ` +
    `font-size: 24px; line-height: 1.2">${words}</div>`
  );
}

function boxOf(shape: Element): Box {
  const read = (name: string) => toPx(shape.getAttributeNS(svg, name));
  const [width, height] = [read('width'), read('height')];
  const transform = shape.getAttributeNS(drawing, 'transform') ?? '';
  const moved =
    /translate\s{0,9}\(\s{0,9}([\d.-]{1,40}[a-z]{0,4})\s{0,9},?\s{0,9}([\d.-]{1,40}[a-z]{0,4})?\s{0,9}\)/.exec(
      transform,
    );
  const turned = /rotate\s*\(\s*([\d.eE+-]+)\s*\)/.exec(transform);
  // ODF turns the other way round than CSS, in radians, about the shape's own corner.
  const turn = turned
    ? `; transform: rotate(${px((-Number(turned[1]) * 180) / Math.PI)}deg); transform-origin: 0px 0px`
    : '';
  return {
    x: moved ? toPx(moved[1] ?? '') : read('x'),
    y: moved ? toPx(moved[2] ?? '0cm') : read('y'),
    width,
    height,
    turn,
  };
}

interface Outline {
  readonly viewBox: string;
  readonly inner: (paint: Paint) => string;
}

function outlineOf(shape: Element, box: Box): Outline | null {
  const { width, height } = box;
  const own = `0 0 ${px(width)} ${px(height)}`;
  switch (shape.localName) {
    case 'rect': {
      const corner = px(toPx(shape.getAttributeNS(drawing, 'corner-radius')));
      return {
        viewBox: own,
        inner: (paint) => `<rect width="${px(width)}" height="${px(height)}" rx="${corner}" ${painted(paint)}></rect>`,
      };
    }
    case 'ellipse':
    case 'circle':
      return {
        viewBox: own,
        inner: (paint) =>
          `<ellipse cx="${px(width / 2)}" cy="${px(height / 2)}" rx="${px(width / 2)}" ry="${px(height / 2)}" ${painted(paint)}></ellipse>`,
      };
    case 'polygon':
    case 'polyline': {
      const points = (shape.getAttributeNS(drawing, 'points') ?? '').replace(/[^\d., -]/g, '');
      const tag = shape.localName;
      return withOwnBox(shape, (paint) => `<${tag} points="${points}" ${painted(paint, tag === 'polygon')}></${tag}>`);
    }
    case 'path': {
      const d = (shape.getAttributeNS(svg, 'd') ?? '').replace(/[^\w., +-]/g, '');
      return d === '' ? null : withOwnBox(shape, (paint) => `<path d="${d}" ${painted(paint)}></path>`);
    }
    case 'custom-shape': {
      const geometry = firstNamed(shape, 'enhanced-geometry');
      const path = geometry && enhancedPath(geometry, { width, height });
      return path ? { viewBox: path.viewBox.map(px).join(' '), inner: (paint) => pathOf(path, paint) } : null;
    }
    default:
      return null;
  }
}

function withOwnBox(shape: Element, inner: Outline['inner']): Outline | null {
  const viewBox = shape.getAttributeNS(svg, 'viewBox') ?? '';
  return /^[\d. -]+$/.test(viewBox) ? { viewBox, inner } : null;
}

function pathOf({ d, isFilled, isStroked }: ShapePath, paint: Paint): string {
  return `<path d="${escapeHtml(d)}" fill-rule="evenodd" ${painted(isStroked ? paint : { ...paint, stroke: 'none' }, isFilled)}></path>`;
}

/** How a shape is painted. Lines keep their width when their box is stretched. */
function painted({ fill, opacity, stroke, strokeWidth, isDashed }: Paint, isClosed = true): string {
  const dash = isDashed ? ` stroke-dasharray="${px(strokeWidth * 4)} ${px(strokeWidth * 3)}"` : '';
  return (
    `fill="${isClosed ? fill : 'none'}" fill-opacity="${opacity}" stroke="${stroke}" ` +
    `stroke-width="${px(strokeWidth)}" vector-effect="non-scaling-stroke"${dash}`
  );
}

/** A line, or a connector that is drawn as one; null for what is none. */
function lineOf(shape: Element, paint: Paint): string | null {
  if (shape.localName !== 'line' && shape.localName !== 'connector') return null;
  const read = (name: string) => toPx(shape.getAttributeNS(svg, name));
  const [x1, y1, x2, y2] = [read('x1'), read('y1'), read('x2'), read('y2')];
  const line = `<line x1="${px(x1)}" y1="${px(y1)}" x2="${px(x2)}" y2="${px(y2)}" ${painted(paint, false)}></line>`;
  const heads = [
    paint.hasArrowAtEnd ? arrowHead([x1, y1], [x2, y2], paint) : '',
    paint.hasArrowAtStart ? arrowHead([x2, y2], [x1, y1], paint) : '',
  ];
  return (
    '<svg width="1" height="1" style="position: absolute; left: 0px; top: 0px; overflow: visible">' +
    `${line}${heads.join('')}</svg>`
  );
}

type Point = readonly [number, number];

function arrowHead([ax, ay]: Point, [bx, by]: Point, { stroke, strokeWidth }: Paint): string {
  const angle = Math.atan2(by - ay, bx - ax);
  const reach = 6 + strokeWidth * 3;
  const corner = (turn: number) =>
    `${px(bx - reach * Math.cos(angle + turn))},${px(by - reach * Math.sin(angle + turn))}`;
  return `<polygon points="${px(bx)},${px(by)} ${corner(0.4)} ${corner(-0.4)}" fill="${stroke}"></polygon>`;
}

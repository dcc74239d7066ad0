import type { Area } from '../../question/question.ts';

/** Pixels of a picture. */
export interface PictureSize {
  readonly width: number;
  readonly height: number;
}

/** Where the size of a picture is not known, places on it are told in this one. */
export const assumedSize: PictureSize = { width: 1_000, height: 750 };

/** Our ten-thousandths of width and height. */
const whole = 10_000;

const toPixels = (coords: readonly number[], { width, height }: PictureSize) =>
  coords.map((at, index) => Math.round((at * (index % 2 === 0 ? width : height)) / whole));
const fromPixels = (pixels: readonly number[], { width, height }: PictureSize) =>
  pixels.map((at, index) => {
    const share = (at * whole) / (index % 2 === 0 ? width : height);
    return Math.min(whole, Math.max(0, Math.round(share)));
  });

/**
 * A place as QTI tells it: of a rectangle left, top, right, bottom; of an ellipse middle and half axes; of a polygon x
 * and y in turn; all in pixels of the picture (QTI ASI 3.0, `coords` and `shape`).
 */
export function toShape({ shape, coords }: Pick<Area, 'shape' | 'coords'>, size: PictureSize) {
  const pixels = toPixels(coords, size);
  if (shape !== 'ellipse') return { shape, coords: pixels.join(',') };
  const [left = 0, top = 0, right = 0, bottom = 0] = pixels;
  const middle = [(left + right) / 2, (top + bottom) / 2, (right - left) / 2, (bottom - top) / 2].map(Math.round);
  return { shape: 'ellipse', coords: middle.join(',') };
}

/** @returns null for what is no place: `default` is the whole picture and tells nothing */
export function fromShape(shape: string, coords: string, size: PictureSize): Pick<Area, 'shape' | 'coords'> | null {
  const pixels = coords
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  if (pixels.some((at) => !Number.isFinite(at))) return null;
  const [x = 0, y = 0, right = 0, bottom = right] = pixels;
  switch (shape) {
    case 'rect':
      return pixels.length < 4 ? null : { shape, coords: fromPixels([x, y, right, bottom], size) };
    case 'circle':
    case 'ellipse':
      return pixels.length < 3
        ? null
        : { shape: 'ellipse', coords: fromPixels([x - right, y - bottom, x + right, y + bottom], size) };
    case 'poly':
      return pixels.length < 6 || pixels.length > 200 || pixels.length % 2 > 0
        ? null
        : { shape, coords: fromPixels(pixels, size) };
    default:
      return null;
  }
}

import type { Area } from '../question/question.ts';

/**
 * Whether a point lies in an area or on its edge; QTI 3.0, "inside the area" of map_response_point. A polygon is
 * closed, and filled by the even–odd rule.
 * @param x in the units of the area's coordinates, and likewise y
 */
export function areaHolds(area: Pick<Area, 'shape' | 'coords'>, x: number, y: number): boolean {
  if (area.shape === 'poly') return isInPolygon(area.coords, x, y);
  const [left = 0, top = 0, right = 0, bottom = 0] = area.coords;
  if (area.shape === 'rect') return x >= left && x <= right && y >= top && y <= bottom;
  const [rx, ry] = [(right - left) / 2, (bottom - top) / 2];
  if (rx <= 0 || ry <= 0) return false;
  return ((x - left - rx) / rx) ** 2 + ((y - top - ry) / ry) ** 2 <= 1;
}

function isInPolygon(coords: readonly number[], x: number, y: number): boolean {
  let isInside = false;
  const count = Math.floor(coords.length / 2);
  for (let i = 0, j = count - 1; i < count; j = i++) {
    const [xi, yi, xj, yj] = [coords[i * 2], coords[i * 2 + 1], coords[j * 2], coords[j * 2 + 1]] as [
      number,
      number,
      number,
      number,
    ];
    const cross = (xj - xi) * (y - yi) - (yj - yi) * (x - xi);
    const isOnEdge =
      cross === 0 && x >= Math.min(xi, xj) && x <= Math.max(xi, xj) && y >= Math.min(yi, yj) && y <= Math.max(yi, yj);
    if (isOnEdge) return true;
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) isInside = !isInside;
  }
  return isInside;
}

/** A point well inside an area: the middle of its box, or, where a bent polygon does not hold that, a place beside it. */
export function areaMiddle(area: Pick<Area, 'shape' | 'coords'>): readonly [number, number] {
  const xs = area.coords.filter((_, index) => index % 2 === 0);
  const ys = area.coords.filter((_, index) => index % 2 === 1);
  const middle = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2] as const;
  if (area.shape !== 'poly' || areaHolds(area, ...middle)) return middle;
  return [middleOfWidest(xs, ys, middle[1]), middle[1]];
}

/** Where a level line through a polygon is longest inside it; by the even–odd rule, between crossings one and two, three and four. */
function middleOfWidest(xs: readonly number[], ys: readonly number[], y: number): number {
  const crossings = xs
    .flatMap((x, index) => {
      const before = (index + xs.length - 1) % xs.length;
      const [yi, yj] = [ys[index] as number, ys[before] as number];
      if (yi > y === yj > y) return [];
      return [x + (((xs[before] as number) - x) * (y - yi)) / (yj - yi)];
    })
    .toSorted((a, b) => a - b);
  let widest: readonly [number, number] = [crossings[0] ?? (xs[0] as number), crossings[1] ?? (xs[0] as number)];
  for (let at = 2; at + 1 < crossings.length; at += 2) {
    const [from, to] = [crossings[at] as number, crossings[at + 1] as number];
    if (to - from > widest[1] - widest[0]) widest = [from, to];
  }
  return (widest[0] + widest[1]) / 2;
}

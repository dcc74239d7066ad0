import type { MapPosition } from '@semita/core/lesson';
import { beginId, type DrawnWay, endId } from './map-layout.ts';

/**
 * The card that an arrow key goes to: to the right along a way, to the left against one, else the nearest that stands
 * on that side.
 * @param way the side, one of x and y being 0
 */
export function nextCard(
  places: ReadonlyMap<string, MapPosition>,
  ways: readonly DrawnWay[],
  from: string,
  way: { readonly x: -1 | 0 | 1; readonly y: -1 | 0 | 1 },
): string | null {
  const here = places.get(from);
  if (!here) return null;
  const neighbours = new Set(
    ways.flatMap((one) =>
      way.x === 1 && one.from === from ? one.to : way.x === -1 && one.to === from ? one.from : [],
    ),
  );
  const onSide = [...places].flatMap(([id, { x, y }]) => {
    const along = (x - here.x) * way.x + (y - here.y) * way.y;
    const aside = Math.abs((x - here.x) * way.y) + Math.abs((y - here.y) * way.x);
    if (id === from || id === beginId || id === endId || along <= 0) return [];
    // Along a way first; else what is nearest, and least to the side.
    return [{ id, far: along + 2 * aside + (neighbours.has(id) ? 0 : awayPx) }];
  });
  return onSide.toSorted((a, b) => a.far - b.far)[0]?.id ?? null;
}

/** Farther than any card is from another. */
const awayPx = 1_000_000;

import type { MapPosition } from '@semita/core/lesson';
import { getViewportForBounds, type Rect, useReactFlow, useStore } from '@xyflow/react';
import { useCallback, useEffect, useRef } from 'react';
import { beginId, cardSize, endId, endSize } from './map-layout.ts';

/** Below this the words on a card cannot be read. */
const minZoom = 0.75;
const marginPx = 16;

/**
 * Keeps the whole path in sight: when the map is opened, when a part has come or gone, and when its pane becomes larger
 * or smaller, until the map is moved by hand. Computed of the places alone, which are known before a card is drawn.
 */
export function useFrame(places: ReadonlyMap<string, MapPosition>, count: number) {
  const flow = useReactFlow();
  const width = useStore((state) => state.width);
  const height = useStore((state) => state.height);
  const isMoved = useRef(false);
  const latest = useRef(places);
  latest.current = places;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a part that comes or goes is a reason to show the whole
  useEffect(() => {
    isMoved.current = false;
  }, [count]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a part that comes or goes is a reason to show the whole
  useEffect(() => {
    if (isMoved.current || width === 0 || height === 0) return;
    const bounds = boundsOf(latest.current);
    const whole = getViewportForBounds(bounds, width, height, 0.1, 1, 0.06);
    // What would be too small to read is shown from its beginning.
    const begin = latest.current.get(beginId) ?? bounds;
    const fromBegin = {
      x: marginPx - begin.x * minZoom,
      y: height / 2 - (begin.y + endSize.height / 2) * minZoom,
      zoom: minZoom,
    };
    void flow.setViewport(whole.zoom < minZoom ? fromBegin : whole);
  }, [count, width, height, flow]);

  const onMoved = useCallback(() => {
    isMoved.current = true;
  }, []);
  /** Brings a card that was reached by keys into sight. */
  const showCard = useCallback(
    (partId: string) => {
      const place = latest.current.get(partId);
      if (!place) return;
      const { x, y, zoom } = flow.getViewport();
      const shift = (start: number, sizePx: number, panePx: number) =>
        start < 0 ? marginPx - start : Math.min(0, panePx - marginPx - start - sizePx);
      const left = x + place.x * zoom;
      const top = y + place.y * zoom;
      const by = { x: shift(left, cardSize.width * zoom, width), y: shift(top, cardSize.height * zoom, height) };
      if (by.x === 0 && by.y === 0) return;
      isMoved.current = true;
      void flow.setViewport({ x: x + by.x, y: y + by.y, zoom });
    },
    [flow, width, height],
  );
  return { onMoved, showCard };
}

function boundsOf(places: ReadonlyMap<string, MapPosition>): Rect {
  const boxes = [...places].map(([id, { x, y }]) => {
    const { width, height } = id === beginId || id === endId ? endSize : cardSize;
    return { left: x, top: y, right: x + width, bottom: y + height };
  });
  const x = Math.min(...boxes.map(({ left }) => left));
  const y = Math.min(...boxes.map(({ top }) => top));
  return {
    ...{ x, y },
    width: Math.max(...boxes.map(({ right }) => right)) - x,
    height: Math.max(...boxes.map(({ bottom }) => bottom)) - y,
  };
}

import type { Lesson } from '@semita/core/lesson';
import { useEffect, useMemo, useState } from 'react';
import { askWorker } from '../../api/ask-worker.ts';
import { mapLayers } from './map-layers.ts';
import { type DrawnWay, type MapGraph, type MapLayout, mapGraph, mapLayout } from './map-layout.ts';

/** As many cards are laid out between two frames of the screen; more of them in a thread of their own. */
const maxAtOnce = 40;

/**
 * Where the cards of a map stand. Layers are computed anew only when a card or a line comes or goes, not when
 * something else of the lesson changes.
 * @returns null until a large map is laid out for the first time
 */
export function useMapLayout(lesson: Lesson, drawn: readonly DrawnWay[]): MapLayout | null {
  const written = useMemo(() => JSON.stringify(mapGraph(lesson, drawn)), [lesson, drawn]);
  const isSmall = lesson.parts.length <= maxAtOnce;
  const atOnce = useMemo(() => (isSmall ? mapLayers(JSON.parse(written) as MapGraph) : null), [written, isSmall]);
  const [later, setLater] = useState<MapLayout | null>(null);
  useEffect(() => {
    if (isSmall) return;
    let isWanted = true;
    const worker = new Worker(new URL('./map-worker.ts', import.meta.url), { type: 'module' });
    const graph = JSON.parse(written) as MapGraph;
    // Where no worker can be had, it takes a moment here.
    void askWorker<MapLayout>(worker, graph)
      .catch(() => mapLayers(graph))
      .then((layers) => {
        if (isWanted) setLater(layers);
      });
    return () => {
      isWanted = false;
      worker.terminate();
    };
  }, [written, isSmall]);
  const layers = atOnce ?? later;
  return useMemo(() => layers && mapLayout(lesson, drawn, layers), [lesson, drawn, layers]);
}

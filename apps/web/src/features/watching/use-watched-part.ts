import type { Retention, WatchingFinding } from '@semita/core/analysis';
import type { WatchingLines } from '@semita/core/contract';
import type { Interval } from '@semita/core/coverage';
import { useEffect, useState } from 'react';

export interface WatchingOrder {
  readonly lines: WatchingLines['lines'][string];
  readonly window: Interval;
}

export interface WatchedPart {
  readonly retention: Retention;
  readonly findings: readonly WatchingFinding[];
  /** Of a text or slides: time before each block was met, by where it begins; of each student. */
  readonly blockTimes: readonly Readonly<Record<number, number>>[];
}

/** How a part was watched, computed in a worker; null until it is. */
export function useWatchedPart(lines: WatchingOrder['lines'], { fromMs, toMs }: Interval): WatchedPart | null {
  const [watched, setWatched] = useState<WatchedPart | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('./watching-worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<WatchedPart>) => setWatched(data);
    worker.postMessage({ lines, window: { fromMs, toMs } } satisfies WatchingOrder);
    return () => worker.terminate();
  }, [lines, fromMs, toMs]);
  return watched;
}

import type { BreakPoint } from '@semita/core';
import type { BreaksOrder } from './breaks-worker.ts';

/** Looks for places to stop in a thread of its own, so that the desk goes on meanwhile. */
export function findBreaks(order: BreaksOrder): Promise<readonly BreakPoint[]> {
  const worker = new Worker(new URL('./breaks-worker.ts', import.meta.url), { type: 'module' });
  return new Promise((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<readonly BreakPoint[]>) => {
      worker.terminate();
      resolve(data);
    };
    worker.onerror = (event) => {
      worker.terminate();
      reject(new Error(event.message));
    };
    worker.postMessage(order);
  });
}

import type { BreakPoint, Interval } from '@semita/core';
import type { BreaksOrder } from './breaks-worker.ts';
import type { SoundMessage } from './sound-worker.ts';

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

/**
 * Listens to a film or a sound for its silences, in a thread of its own.
 * @param onProgress told a share from 0 to 1
 * @returns none where this browser cannot decode the sound
 */
export function findSilencesOf(src: string, onProgress: (share: number) => void): Promise<readonly Interval[]> {
  const worker = new Worker(new URL('./sound-worker.ts', import.meta.url), { type: 'module' });
  return new Promise((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<SoundMessage>) => {
      if (data.type === 'progress') return onProgress(data.share);
      worker.terminate();
      resolve(data.silences);
    };
    worker.onerror = (event) => {
      worker.terminate();
      reject(new Error(event.message));
    };
    worker.postMessage(src);
  });
}

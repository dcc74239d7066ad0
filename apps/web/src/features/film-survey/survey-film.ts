import { queryOptions } from '@tanstack/react-query';
import { pathOf } from '../../api/client.ts';
import type { FrameMessage, FramesOrder } from './frames-worker.ts';
import type { HeardSound, SoundMessage } from './sound-worker.ts';

/**
 * The sound of a film or a sound, listened to in a thread of its own: once for as long as the pages are open.
 * @param onProgress told a share from 0 to 1
 */
export const heardOptions = (materialId: string, onProgress: (share: number) => void = () => undefined) =>
  queryOptions({
    queryKey: ['heard', materialId],
    queryFn: () => listen(pathOf('streamMedia', { materialId }), onProgress),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

function listen(src: string, onProgress: (share: number) => void): Promise<HeardSound> {
  const worker = new Worker(new URL('./sound-worker.ts', import.meta.url), { type: 'module' });
  return new Promise((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<SoundMessage>) => {
      if (data.type === 'progress') return onProgress(data.share);
      worker.terminate();
      resolve(data.sound);
    };
    worker.onerror = (event) => {
      worker.terminate();
      reject(new Error(event.message));
    };
    worker.postMessage(src);
  });
}

/**
 * Looks into a film at some times, in a thread of its own.
 * @param onFrame told the number of a time and its small picture, in order
 * @returns its end
 */
export function lookInto(order: FramesOrder, onFrame: (index: number, picture: Blob) => void): () => void {
  const worker = new Worker(new URL('./frames-worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<FrameMessage>) => onFrame(data.index, data.picture);
  // A film that cannot be looked into here is shown by its times alone.
  worker.onerror = () => worker.terminate();
  worker.postMessage(order);
  return () => worker.terminate();
}

import type { Material } from '@semita/core/contract';
import { useSyncExternalStore } from 'react';
import type { Upload } from 'tus-js-client';
import { ApiError } from '../../api/api-error.ts';
import { call } from '../../api/client.ts';

/** Loaded when a file is chosen: pages that could take one in are opened far more often. */
const loadUpload = async () => (await import('tus-js-client')).Upload;

/** The largest file that is taken; the server holds to the same. */
const largestBytes = 2 * 1024 ** 3;

const protocol = { endpoint: '/api/files', chunkSize: 16 * 1024 * 1024, removeFingerprintOnSuccess: true };
/** Names the material in the last answer of an upload. */
const materialHeader = 'x-material-id';

export type UploadState =
  | { readonly phase: 'idle' }
  | { readonly phase: 'refused'; readonly reason: 'empty' | 'tooLarge'; readonly file: File }
  | { readonly phase: 'sending' | 'paused' | 'waiting'; readonly file: File; readonly sentBytes: number }
  | { readonly phase: 'received'; readonly materialId: string };

/**
 * The one file that is being brought in. Lives beside the pages, so that it goes on while the teacher looks at
 * others, and resumes where it stopped after a reload when the same file is chosen again.
 */
let state: UploadState = { phase: 'idle' };
let upload: Upload | null = null;
const listeners = new Set<() => void>();

const change = (next: UploadState) => {
  state = next;
  for (const listener of listeners) listener();
};

export async function bringIn(file: File): Promise<void> {
  if (file.size === 0) return change({ phase: 'refused', reason: 'empty', file });
  if (file.size > largestBytes) return change({ phase: 'refused', reason: 'tooLarge', file });
  change({ phase: 'sending', file, sentBytes: 0 });
  const Sending = await loadUpload();
  const current = new Sending(file, {
    ...protocol,
    metadata: { filename: file.name },
    retryDelays: [0, 1_000, 2_000, 4_000, 8_000, 15_000, 30_000, 60_000],
    onShouldRetry: (error) => {
      const status = error.originalResponse?.getStatus() ?? 0;
      change({ phase: 'waiting', file, sentBytes: 'sentBytes' in state ? state.sentBytes : 0 });
      return status === 0 || status >= 500 || status === 409 || status === 423;
    },
    onProgress: (sentBytes) => change({ phase: 'sending', file, sentBytes }),
    onSuccess: ({ lastResponse }) =>
      change({ phase: 'received', materialId: lastResponse.getHeader(materialHeader) ?? '' }),
    onError: () => change({ phase: 'paused', file, sentBytes: 'sentBytes' in state ? state.sentBytes : 0 }),
  });
  upload = current;
  const [previous] = await current.findPreviousUploads();
  if (previous) current.resumeFromPreviousUpload(previous);
  current.start();
}

export async function pauseUpload(): Promise<void> {
  await upload?.abort();
  if ('sentBytes' in state) change({ ...state, phase: 'paused' });
}

export function resumeUpload(): void {
  if ('sentBytes' in state) change({ ...state, phase: 'sending' });
  upload?.start();
}

/** Ends the upload and takes away what the server has of it. */
export async function cancelUpload(): Promise<void> {
  const ending = upload;
  upload = null;
  change({ phase: 'idle' });
  await ending?.abort(true);
}

/** Shows a material that is on its way by another road. */
export function showReceived(materialId: string): void {
  change({ phase: 'received', materialId });
}

export function clearUpload(): void {
  upload = null;
  change({ phase: 'idle' });
}

/** A material that was taken away is waited for no longer. */
export function forgetReceived(materialId: string): void {
  if (state.phase === 'received' && state.materialId === materialId) clearUpload();
}

export function useUpload(): UploadState {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => state,
  );
}

/** Sends a file beside the one that is being brought in, and says which material it becomes. */
async function send(file: File, metadata: Record<string, string> = {}): Promise<string> {
  const Sending = await loadUpload();
  return new Promise((resolve, reject) => {
    const sending = new Sending(file, {
      ...protocol,
      metadata: { filename: file.name, ...metadata },
      onSuccess: ({ lastResponse }) => resolve(lastResponse.getHeader(materialHeader) ?? ''),
      onError: reject,
    });
    sending.start();
  });
}

/**
 * Sends a newer version of a document.
 * @returns the id of the material it becomes
 */
export const sendNewerVersion = (file: File, replaces: string): Promise<string> => send(file, { replaces });

/**
 * Brings in what was recorded or cut out here.
 * @returns the id of the material, which is ready
 * @throws ApiError fileUnusable when the server says so
 */
export async function bringInQuietly(file: File): Promise<string> {
  const material = await whenReady(await send(file));
  if (material.status === 'refused') throw new ApiError('fileUnusable');
  return material.id;
}

const lookAgainMs = 700;

/** Looks again until the server has looked into a material. */
export async function whenReady(materialId: string): Promise<Material> {
  for (;;) {
    const material = await call('readMaterial', { params: { materialId } });
    if (material.status !== 'checking') return material;
    await new Promise((resolve) => setTimeout(resolve, lookAgainMs));
  }
}

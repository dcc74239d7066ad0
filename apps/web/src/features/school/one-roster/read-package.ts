import type { OneRoster } from '@semita/core/roster';
import { askWorker } from '../../../api/ask-worker.ts';

/** What a package holds, read beside the page. @returns null where it is no OneRoster package */
export const readPackage = (bytes: ArrayBuffer): Promise<OneRoster | null> =>
  askWorker(new Worker(new URL('./one-roster-worker.ts', import.meta.url), { type: 'module' }), bytes);

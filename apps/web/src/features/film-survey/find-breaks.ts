import type { BreakPoint } from '@semita/core/breaks';
import { askWorker } from '../../api/ask-worker.ts';
import type { BreaksOrder } from './breaks-worker.ts';

/** Looks for places to stop in a thread of its own, so that the desk goes on meanwhile. */
export const findBreaks = (order: BreaksOrder): Promise<readonly BreakPoint[]> =>
  askWorker(new Worker(new URL('./breaks-worker.ts', import.meta.url), { type: 'module' }), order);

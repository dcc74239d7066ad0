import type { TriedRoutes } from '@semita/core/checks';
import type { Lesson } from '@semita/core/lesson';
import { askWorker } from '../../api/ask-worker.ts';

/** Walks every route of a lesson in a thread of its own, so that the desk goes on meanwhile. */
export const tryAll = (lesson: Lesson): Promise<TriedRoutes> =>
  askWorker(new Worker(new URL('./try-worker.ts', import.meta.url), { type: 'module' }), lesson);

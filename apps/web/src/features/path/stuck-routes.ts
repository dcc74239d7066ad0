import { checkLesson, type Fault, faultsOfDraft, isStraight, type Lesson } from '@semita/core';
import type { Material } from '@semita/core/contract';
import { tryAll } from './try-all.ts';

/** Where a student would be stuck on some route; none where something else is missing, which the server tells. */
export async function stuckRoutes(lesson: Lesson, materials: readonly Material[]): Promise<readonly Fault[]> {
  const lengths = new Map(materials.map(({ id, lengthMs }) => [id, lengthMs ?? 0]));
  if (isStraight(lesson) || checkLesson(lesson, lengths).length > 0) return [];
  const { routes } = await tryAll(lesson);
  const stuck = routes.flatMap(({ stuckAt }) =>
    stuckAt
      ? [{ code: 'routeStuck' as const, partId: stuckAt.partId, ...(stuckAt.stopId ? { stopId: stuckAt.stopId } : {}) }]
      : [],
  );
  return faultsOfDraft(lesson, stuck);
}

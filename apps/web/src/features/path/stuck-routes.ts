import { checkLesson, type Fault } from '@semita/core/checks';
import type { Material } from '@semita/core/contract';
import type { Lesson } from '@semita/core/lesson';
import { isStraight } from '@semita/core/path';
import { stuckFaults } from './stuck-faults.ts';
import { tryAll } from './try-all.ts';

/** Where a student would be stuck on some route; none where something else is missing, which the server tells. */
export async function stuckRoutes(lesson: Lesson, materials: readonly Material[]): Promise<readonly Fault[]> {
  const lengths = new Map(materials.map(({ id, lengthMs }) => [id, lengthMs ?? 0]));
  if (isStraight(lesson) || checkLesson(lesson, lengths).length > 0) return [];
  const { routes } = await tryAll(lesson);
  return stuckFaults(lesson, routes);
}

import type { Lesson } from '../lesson/lesson.ts';
import { materialsOf } from '../lesson/materials-of.ts';

/**
 * Shows one material wherever a lesson shows another: inside texts, in questions, on tiles, as a voice. Parts of the
 * material itself want more, see `replaceMaterial`.
 * @returns the same lesson where it does not show the older one
 */
export function swapMaterial(lesson: Lesson, olderId: string, newerId: string): Lesson {
  if (!materialsOf(lesson).includes(olderId)) return lesson;
  const swap = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(swap);
    if (value === null || typeof value !== 'object') return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, one]) => [key, key === 'materialId' && one === olderId ? newerId : swap(one)]),
    );
  };
  return swap(lesson) as Lesson;
}

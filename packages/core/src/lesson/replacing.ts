import type { Lesson, Part } from './lesson.ts';
import type { LessonChange } from './lesson-change.ts';

/**
 * One change that puts parts in the place of others, so that it is taken back in one step.
 * @param into what stands in the place of each part; the part itself where nothing changes
 * @returns null where nothing changes
 */
export function replacing(lesson: Lesson, into: (part: Part) => readonly Part[]): LessonChange | null {
  const pieces = lesson.parts.map((part) => {
    const parts = into(part);
    const isSame = parts.length === 1 && JSON.stringify(parts[0]) === JSON.stringify(part);
    return { part, parts, isSame };
  });
  const first = pieces.findIndex(({ isSame }) => !isSame);
  if (first < 0) return null;
  const changed = pieces.slice(first, pieces.findLastIndex(({ isSame }) => !isSame) + 1);
  return {
    type: 'replaceParts',
    partIds: changed.map(({ part }) => part.id),
    parts: changed.flatMap(({ parts }) => parts),
  };
}

import type { Lesson } from '@semita/core/lesson';
import { useRef } from 'react';

/**
 * The lesson as students walk it: the same object until something else of it changes than where its cards stand on the
 * map, so that moving a card counts no routes anew.
 */
export function useAsWalked(lesson: Lesson): Lesson {
  const kept = useRef(lesson);
  if (!isWalkedAlike(kept.current, lesson)) kept.current = lesson;
  return kept.current;
}

/** Whether two editions of a lesson differ in nothing but the places of cards. */
export function isWalkedAlike(before: Lesson, after: Lesson): boolean {
  if (before.parts.length !== after.parts.length || !hasSameValues(before, after, 'parts')) return false;
  return after.parts.every((part, index) => hasSameValues(before.parts[index] as typeof part, part, 'mapAt'));
}

/** Compares value by value, as identities: what a change leaves alone is the same object afterwards. */
function hasSameValues<T extends object>(before: T, after: T, except: keyof T): boolean {
  const keys = new Set([...Object.keys(before), ...Object.keys(after)] as (keyof T)[]);
  return [...keys].every((key) => key === except || before[key] === after[key]);
}

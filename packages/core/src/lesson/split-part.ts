import type { Lesson, Part } from './lesson.ts';
import { type MaterialKind, wholePart } from './whole-part.ts';

/**
 * Cuts a part in two at a place of its axis; questions go with their stretch. A stop at the very cut ends the first.
 * @param atMs strictly inside the window
 * @returns null when the place is not inside the window
 */
export function splitPart(part: Part, atMs: number, newPartId: string): readonly [Part, Part] | null {
  if (atMs <= part.inMs || atMs >= part.outMs) return null;
  const first = { ...part, outMs: atMs, stops: part.stops.filter((stop) => stop.atMs <= atMs) };
  const second = { ...part, id: newPartId, inMs: atMs, stops: part.stops.filter((stop) => stop.atMs > atMs) };
  return [first, second];
}

/**
 * A part over what the lesson does not show yet of a material: it begins where the last part of it ended, or is the
 * whole where nothing is left.
 */
export function nextPart(
  lesson: Lesson,
  material: { id: string; title: string; kind: MaterialKind; lengthMs: number },
  partId: string,
): Part {
  const shownMs = Math.max(
    0,
    ...lesson.parts.filter((part) => part.materialId === material.id).map((part) => part.outMs),
  );
  const whole = wholePart(material, partId);
  // What is left must be worth a part.
  return material.lengthMs - shownMs >= 1_000 ? { ...whole, inMs: shownMs } : whole;
}

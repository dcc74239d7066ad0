import type { ScriptLine } from '../script/script.ts';
import { hasMaterial, type Lesson, type MaterialPart, type Rule, type Target } from './lesson.ts';
import type { LessonChange } from './lesson-change.ts';
import { replacing } from './replacing.ts';
import { type PartMaterialKind, wholePart } from './whole-part.ts';
import { withTargets } from './with-targets.ts';

/**
 * The change that cuts a part in two where it stands: ways to what lies behind the cut lead to the second half, and
 * whoever waited for the part to be done waits for that.
 * @returns null when the place is not inside the window of a part that shows a material
 */
export function splitChange(lesson: Lesson, partId: string, atMs: number, newPartId: string): LessonChange | null {
  const part = lesson.parts.find(({ id }) => id === partId);
  const halves = part && hasMaterial(part) ? splitPart(part, atMs, newPartId) : null;
  if (!halves) return null;
  const isBehind = (to: Target) =>
    to.kind === 'part' &&
    to.partId === partId &&
    (halves[1].stops.some(({ id }) => id === to.stopId) || (to.at !== undefined && to.at.atMs >= atMs));
  const toTarget = (to: Target): Target => (isBehind(to) ? { ...to, kind: 'part', partId: newPartId } : to);
  const toDone = (id: string) => (id === partId ? newPartId : id);
  return replacing(lesson, (one) =>
    (one.id === partId ? halves : [one]).map((piece) => withTargets(piece, toTarget, toDone)),
  );
}

/**
 * Cuts a part in two at a place of its axis; questions, voices and insets go with their stretch, and where its end led
 * goes with the second. A stop at the very cut ends the first.
 * @param atMs strictly inside the window
 * @returns null when the place is not inside the window
 */
function splitPart(part: MaterialPart, atMs: number, newPartId: string): readonly [MaterialPart, MaterialPart] | null {
  if (atMs <= part.inMs || atMs >= part.outMs) return null;
  const isFirst = (piece: { readonly atMs: number }) => piece.atMs <= atMs;
  const isSecond = (piece: { readonly atMs: number }) => piece.atMs > atMs;
  const { directions, nextLessonId, next, rules, mapAt, ...shared } = part;
  // Where the part led elsewhere, or back, only a way leads from its first half to its second.
  const onward: Target = { kind: 'part', partId: newPartId };
  const half = (isIn: typeof isFirst) => ({
    ...shared,
    stops: part.stops.filter(isIn),
    ...(part.narrations ? { narrations: part.narrations.filter(isIn) } : {}),
    ...(part.insets ? { insets: part.insets.filter(isIn) } : {}),
  });
  // What begins a part stays at its beginning, and what ends it at its end.
  return [
    {
      ...half(isFirst),
      outMs: atMs,
      ...(directions ? { directions } : {}),
      ...(mapAt ? { mapAt } : {}),
      ...(next ? { next: onward } : {}),
    },
    {
      ...half(isSecond),
      id: newPartId,
      inMs: atMs,
      ...(nextLessonId ? { nextLessonId } : {}),
      ...(next ? { next } : {}),
      ...(rules ? { rules: rules.map((rule) => overBoth(rule, [part.id, newPartId])) } : {}),
    },
  ];
}

/** A rule over points at the end of a part counts the questions of all its pieces, as before it was cut. */
function overBoth(rule: Rule, pieces: readonly string[]): Rule {
  const { when } = rule;
  if (when.kind !== 'scoreBelow' && when.kind !== 'scoreFrom') return rule;
  return { ...rule, when: { ...when, of: [...new Set([...(when.of ?? []), ...pieces])] } };
}

/**
 * A part over what the lesson does not show yet of a material: it begins where the last part of it ended, or is the
 * whole where nothing is left.
 */
export function nextPart(
  lesson: Lesson,
  material: { id: string; title: string; kind: PartMaterialKind; lengthMs: number },
  partId: string,
): MaterialPart {
  const shownMs = Math.max(
    0,
    ...lesson.parts.filter((part) => hasMaterial(part) && part.materialId === material.id).map((part) => part.outMs),
  );
  const whole = wholePart(material, partId);
  // What is left must be worth a part.
  return material.lengthMs - shownMs >= 1_000 ? { ...whole, inMs: shownMs } : whole;
}

/**
 * Narrows a part to a range of the lines of its material.
 * @param range numbers of the first and the last line, from 1
 * @returns the part as it was when the range holds no line
 */
export function partOverLines(
  part: MaterialPart,
  lines: readonly ScriptLine[],
  range: { readonly from: number; readonly to: number },
): MaterialPart {
  const first = lines[range.from - 1];
  const last = lines[Math.min(range.to, lines.length) - 1];
  return first && last && first.startMs < last.endMs ? { ...part, inMs: first.startMs, outMs: last.endMs } : part;
}

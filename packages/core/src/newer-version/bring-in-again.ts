import type { BlockAnchor } from '../elements/block-anchor.ts';
import { hasMaterial, type Lesson, type MaterialPart, type Stop, type Target } from '../lesson/lesson.ts';
import type { LessonChange } from '../lesson/lesson-change.ts';
import { replacing } from '../lesson/replacing.ts';
import { withTargets } from '../lesson/with-targets.ts';
import { anchorTimeMs } from '../reading/block.ts';
import type { ScriptLine } from '../script/script.ts';

export interface BroughtAgain {
  readonly part: MaterialPart;
  /** Stops whose block, or whose words in it, are gone. They stand where they were, or as near as can be. */
  readonly astray: readonly Stop[];
}

/**
 * Puts a newer version of its material under a part: stops move with their blocks, and none is dropped.
 * @param part a reading or a deck
 * @param before the script it had
 * @param after the script of the newer version, whose blocks kept their ids where they continue an old one
 */
export function bringInAgain(
  part: MaterialPart,
  materialId: string,
  before: readonly ScriptLine[],
  after: readonly ScriptLine[],
): BroughtAgain {
  const placeOf = (anchor: BlockAnchor) => placeAgain(before, after, anchor);
  const astray: Stop[] = [];
  const stops = part.stops.map((stop): Stop => {
    const { isAstray, ...place } = placeOf(stop.anchor ?? { blockId: null, number: 0 });
    if (isAstray) astray.push(stop);
    return { ...stop, ...place };
  });
  const insets = part.insets?.map((inset) => {
    const { isAstray: _, ...place } = placeOf(inset.anchor);
    return { ...inset, ...place };
  });
  const inMs = edgeMs(before, after, part.inMs);
  const outMs = part.outMs >= endOf(before) ? endOf(after) : edgeMs(before, after, part.outMs);
  // A window whose blocks are all gone opens again over the whole.
  const window = inMs < outMs ? { inMs, outMs } : { inMs: 0, outMs: Math.max(1, endOf(after)) };
  return { part: { ...part, ...window, materialId, stops, ...(insets ? { insets } : {}) }, astray };
}

/**
 * The change that puts a newer version of its material under a reading or a deck of a lesson, and leads the ways to
 * places in it to where they are now.
 * @returns no change where the lesson has no such part any longer
 */
export function bringChange(
  lesson: Lesson,
  partId: string,
  materialId: string,
  before: readonly ScriptLine[],
  after: readonly ScriptLine[],
): { readonly change: LessonChange | null; readonly astray: readonly Stop[] } {
  const part = lesson.parts.find(({ id }) => id === partId);
  if (!part || !hasMaterial(part)) return { change: null, astray: [] };
  const again = bringInAgain(part, materialId, before, after);
  const parts = lesson.parts.map((one) => (one.id === partId ? again.part : one));
  const led = new Map(leadAgain({ ...lesson, parts }, partId, before, after).parts.map((one) => [one.id, one]));
  return { change: replacing(lesson, (one) => [led.get(one.id) ?? one]), astray: again.astray };
}

/**
 * Ways that lead into a part whose material has a newer version: to the same block, or as near as can be.
 */
export function leadAgain(
  lesson: Lesson,
  partId: string,
  before: readonly ScriptLine[],
  after: readonly ScriptLine[],
): Lesson {
  const toTarget = (to: Target): Target => {
    if (to.kind !== 'part' || to.partId !== partId || !to.at?.anchor) return to;
    const { isAstray: _, ...at } = placeAgain(before, after, to.at.anchor);
    return { ...to, at };
  };
  return { ...lesson, parts: lesson.parts.map((part) => withTargets(part, toTarget)) };
}

interface PlacedAgain {
  readonly atMs: number;
  readonly anchor: BlockAnchor;
  /** Its block, or its words in it, are gone. */
  readonly isAstray: boolean;
}

function placeAgain(before: readonly ScriptLine[], after: readonly ScriptLine[], anchor: BlockAnchor): PlacedAgain {
  const atMs = anchorTimeMs(after, anchor);
  if (atMs !== null) return { atMs, anchor: { ...anchor, number: numberOf(after, anchor.blockId) }, isAstray: false };
  const blockId = nearestLeft(before, after, anchor.blockId);
  const nearest = { blockId, number: numberOf(after, blockId) };
  return { atMs: anchorTimeMs(after, nearest) ?? 0, anchor: nearest, isAstray: true };
}

const endOf = (lines: readonly ScriptLine[]): number => lines.at(-1)?.endMs ?? 0;

/** Where the edge of a window is now: behind the same block, or behind the last before it that is still there. */
function edgeMs(before: readonly ScriptLine[], after: readonly ScriptLine[], ms: number): number {
  const block = before.findLast((line) => line.endMs <= ms);
  const blockId =
    block && after.some((line) => line.id === block.id) ? block.id : nearestLeft(before, after, block?.id ?? null);
  return anchorTimeMs(after, { blockId, number: 0 }) ?? 0;
}

const numberOf = (lines: readonly ScriptLine[], blockId: string | null): number =>
  lines.findIndex((line) => line.id === blockId) + 1;

/** The block itself, or the last one before it that is still there. */
function nearestLeft(before: readonly ScriptLine[], after: readonly ScriptLine[], blockId: string | null) {
  const there = new Set(after.map((line) => line.id));
  for (let index = numberOf(before, blockId) - 1; index >= 0; index--) {
    const { id } = before[index] as ScriptLine;
    if (there.has(id)) return id;
  }
  return null;
}

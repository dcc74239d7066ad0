import type { BlockAnchor } from '../lesson/block-anchor.ts';
import type { MaterialPart, Stop } from '../lesson/lesson.ts';
import type { ScriptLine } from '../script/script.ts';
import { anchorTimeMs } from './block.ts';

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
  const placeOf = (anchor: BlockAnchor): { atMs: number; anchor: BlockAnchor; isAstray: boolean } => {
    const atMs = anchorTimeMs(after, anchor);
    if (atMs !== null) return { atMs, anchor: { ...anchor, number: numberOf(after, anchor.blockId) }, isAstray: false };
    const blockId = nearestLeft(before, after, anchor.blockId);
    const nearest = { blockId, number: numberOf(after, blockId) };
    return { atMs: anchorTimeMs(after, nearest) ?? 0, anchor: nearest, isAstray: true };
  };
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

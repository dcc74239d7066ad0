import type { MaterialPart } from '../lesson/lesson.ts';
import type { ScriptLine } from '../script/script.ts';
import { type BroughtAgain, bringInAgain } from './bring-in-again.ts';

/**
 * Puts a newer version of its material under a part of any kind. A clip keeps its window and its stops where their
 * times are, as far as the newer film goes.
 * @param before the script of the older version of a text or of slides
 * @param after the newer material: its id, its length in ms, and the script of a text or of slides
 */
export function replaceMaterial(
  part: MaterialPart,
  before: readonly ScriptLine[],
  after: { readonly id: string; readonly lengthMs: number; readonly lines: readonly ScriptLine[] },
): BroughtAgain {
  if (part.kind !== 'clip') return bringInAgain(part, after.id, before, after.lines);
  const outMs = Math.min(part.outMs, after.lengthMs);
  const window = part.inMs < outMs ? { inMs: part.inMs, outMs } : { inMs: 0, outMs: after.lengthMs };
  return {
    part: { ...part, ...window, materialId: after.id },
    astray: part.stops.filter((stop) => stop.atMs > after.lengthMs),
  };
}

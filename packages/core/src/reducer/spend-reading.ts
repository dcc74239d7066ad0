import type { ScriptLine } from '../script/script.ts';
import { fastestReading } from './take-in-material.ts';

/** What has been looked at of each block so far, in ms; blocks that were met are gone from it. */
export type Looked = ReadonlyMap<string, number>;

export interface Spent {
  readonly looked: Looked;
  /** Blocks that were looked at for as long as the fastest reader needs. */
  readonly met: readonly ScriptLine[];
}

/**
 * Spends the time that passed on what is in sight: on the first block in reading order until it is read at the
 * fastest pace that is believed, then on the next. A page that fits the screen is so met block by block.
 * @param inSight blocks in sight that were not met since they came into sight, in reading order
 * @param elapsedMs time since the last call, ≥ 0
 */
export function spendReading(looked: Looked, inSight: readonly ScriptLine[], elapsedMs: number): Spent {
  const next = new Map(looked);
  const met: ScriptLine[] = [];
  let leftMs = elapsedMs;
  for (const line of inSight) {
    const neededMs = (line.endMs - line.startMs) / fastestReading;
    const before = next.get(line.id) ?? 0;
    const spentMs = Math.min(leftMs, neededMs - before);
    leftMs -= spentMs;
    if (before + spentMs >= neededMs) {
      next.delete(line.id);
      met.push(line);
    } else {
      next.set(line.id, before + spentMs);
      break;
    }
  }
  return { looked: next, met };
}

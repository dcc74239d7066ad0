import type { AttemptState, PartState, Spell } from './attempt-state.ts';

/** Whoever comes back later than this has begun a new spell. Common practice, no source. */
export const longestBreakMs = 10 * 60_000;

/** Of each of these the latest so many are kept: what a state holds of one learner has an end. */
export const maxSpells = 100;
const maxPauses = 200;
const maxRewinds = 200;
const maxBlocks = 2_000;

/** Going back by less is finding one's place. */
const shortestRewindMs = 1_000;

/** Time on task counts to the part in which the learner is. */
export function withPartTime(state: AttemptState, spentMs: number): AttemptState {
  const { currentPartId, spentIn = {} } = state;
  if (currentPartId === null || spentMs <= 0) return state;
  return { ...state, spentIn: { ...spentIn, [currentPartId]: (spentIn[currentPartId] ?? 0) + spentMs } };
}

/**
 * Counts time on task to the spell it belongs to, and how often the tab was left. Events of another device, or of one without a
 * connection, may come late: they belong to the spell they happened in.
 */
export function withTime(spells: readonly Spell[], at: number, spentMs: number, timesAway: number): readonly Spell[] {
  const index = spells.findLastIndex(
    ({ fromAt, untilAt }) => at >= fromAt - longestBreakMs && at <= untilAt + longestBreakMs,
  );
  const found = spells[index];
  if (!found) {
    const all = [...spells, { fromAt: at, untilAt: at, spentMs, timesAway }];
    return all.toSorted((a, b) => a.fromAt - b.fromAt).slice(-maxSpells);
  }
  const grown = {
    fromAt: Math.min(found.fromAt, at),
    untilAt: Math.max(found.untilAt, at),
    spentMs: found.spentMs + spentMs,
    timesAway: found.timesAway + timesAway,
  };
  return spells.with(index, grown);
}

/** A film was paused there. */
export function withPause(part: PartState, atMs: number): PartState {
  return { ...part, pauses: [...(part.pauses ?? []), atMs].slice(-maxPauses) };
}

/** The learner went to another place: kept where that was back. */
export function withMove(part: PartState, fromMs: number, toMs: number): PartState {
  if (toMs > fromMs - shortestRewindMs) return part;
  return { ...part, rewinds: [...(part.rewinds ?? []), [fromMs, toMs] as const].slice(-maxRewinds) };
}

/** Time that passed before a block of a text, or a slide, was met. */
export function withBlockTime(part: PartState, startMs: number, spentMs: number): PartState {
  const before = part.blockMs ?? {};
  const key = Math.round(startMs);
  if (spentMs === 0 || (!(key in before) && Object.keys(before).length >= maxBlocks)) return part;
  return { ...part, blockMs: { ...before, [key]: (before[key] ?? 0) + spentMs } };
}

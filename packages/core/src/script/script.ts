import type { BlockKind } from './block-kind.ts';

/** One line of a script: words that are said, a block of a text, a slide; or, where nobody wrote any words, a stretch of time. */
export interface ScriptLine {
  readonly id: string;
  readonly startMs: number;
  readonly endMs: number;
  /** Null for a stretch without words. */
  readonly text: string | null;
  /** Of a text: what kind of block it is. */
  readonly tone?: BlockKind | undefined;
}

export interface Cue {
  readonly startMs: number;
  readonly endMs: number;
  readonly text: string;
}

/** Length of a line where there are no captions. */
const plainLineMs = 10_000;

/**
 * The script of a film: its cues in order, or lines of ten seconds where it has none.
 * @param lengthMs length of the film
 */
export function scriptOf(cues: readonly Cue[], lengthMs: number): readonly ScriptLine[] {
  if (cues.length > 0)
    return cues
      .toSorted((a, b) => a.startMs - b.startMs || b.endMs - a.endMs)
      .map((cue, index) => ({ id: `cue-${index}`, ...cue }));
  const count = Math.ceil(lengthMs / plainLineMs);
  return Array.from({ length: count }, (_, index) => ({
    id: `time-${index}`,
    startMs: index * plainLineMs,
    endMs: Math.min((index + 1) * plainLineMs, lengthMs),
    text: null,
  }));
}

/**
 * The time of a gap between lines. Gap 0 is before the first line, gap i after line i. A stop in a gap lets the
 * line finish and waits a quarter of a second at most, or half of the silence.
 */
export function gapTimeMs(lines: readonly ScriptLine[], gap: number): number {
  const before = lines[gap - 1];
  const after = lines[gap];
  if (!before) return after ? after.startMs : 0;
  if (!after) return before.endMs;
  const silenceMs = Math.max(0, after.startMs - before.endMs);
  // Overlapping lines: the stop must not come before the line it stands behind has begun.
  const endMs = Math.max(before.startMs + 1, Math.min(before.endMs, after.startMs));
  return Math.round(endMs + Math.min(silenceMs / 2, 250));
}

/** The gap in which a stop at a time is shown: behind every line that has begun before it. */
export function gapOf(lines: readonly ScriptLine[], atMs: number): number {
  let gap = 0;
  while (gap < lines.length && (lines[gap] as ScriptLine).startMs < atMs) gap++;
  return gap;
}

/** The line being said at a time, or the last one before it; -1 before the first. */
export function lineAt(lines: readonly ScriptLine[], atMs: number): number {
  let low = 0;
  let high = lines.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((lines[middle] as ScriptLine).startMs <= atMs) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

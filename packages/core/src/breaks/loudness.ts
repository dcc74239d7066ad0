/** Loudness of a film as it was measured. */
export interface Loudness {
  /** Root mean squares of equal windows of the sound, 0 to 1. */
  readonly levels: readonly number[];
  /** Windows a second. */
  readonly hz: number;
}

/**
 * A stretch of a sound as bars to look at. The loudest hundredth of the whole sound fills a bar, so that one bang does
 * not make all else look silent.
 * @param fromMs start of the stretch, `toMs` its end
 * @param count bars, at least 1
 * @returns 0 to 1 each; a stretch beyond the sound is silent
 */
export function loudnessBars({ levels, hz }: Loudness, fromMs: number, toMs: number, count: number): number[] {
  const full = Float64Array.from(levels).sort()[Math.floor(levels.length * 0.99)] ?? 0;
  const first = (fromMs / 1000) * hz;
  const perBar = (((toMs - fromMs) / 1000) * hz) / count;
  return Array.from({ length: count }, (_, bar) => {
    const inBar = levels.slice(Math.floor(first + bar * perBar), Math.ceil(first + (bar + 1) * perBar));
    const loudest = inBar.reduce((most, level) => Math.max(most, level), 0);
    return full === 0 ? 0 : Math.min(1, loudest / full);
  });
}

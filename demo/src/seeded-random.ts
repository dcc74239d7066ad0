/** Random numbers that are the same for the same seed, so that the demo school is the same everywhere. */
export interface Random {
  /** 0 ≤ number < 1 */
  next(): number;
  between(low: number, high: number): number;
  chance(probability: number): boolean;
  pick<T>(items: readonly T[]): T;
}

/** Mulberry32, a 32-bit generator in the public domain; good enough for play-acting. */
export function createRandom(seed: number): Random {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    chance: (probability) => next() < probability,
    pick: (items) => items[Math.floor(next() * items.length)] as (typeof items)[0],
  };
}

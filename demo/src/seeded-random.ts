import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Random numbers that are the same for the same seed, so that the demo school is the same everywhere. */
export interface Random {
  /** 0 ≤ number < 1 */
  next(): number;
  between(low: number, high: number): number;
  chance(probability: number): boolean;
  pick<T>(items: readonly T[]): T;
}

export function createRandom(seed: number): Random {
  const generator = xoroshiro128plus(seed);
  const next = () => uniformFloat64(generator);
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    chance: (probability) => next() < probability,
    pick: (items) => items[Math.floor(next() * items.length)] as (typeof items)[0],
  };
}

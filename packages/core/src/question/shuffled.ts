/**
 * The items in an order that depends on the seed and nothing else, so that a student meets the same order on every
 * device and every day. Fisher–Yates (Durstenfeld 1964) on the generator mulberry32, seeded by an FNV-1a hash.
 * @param seed any words; the same words give the same order
 */
export function shuffled<T>(items: readonly T[], seed: string): readonly T[] {
  const random = mulberry32(hashOf(seed));
  const result = [...items];
  for (let i = result.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [result[i], result[j]] = [result[j] as T, result[i] as T];
  }
  return result;
}

/** As `shuffled`, but never the order that was given, where another is possible. */
export function disordered<T>(items: readonly T[], seed: string): readonly T[] {
  const result = shuffled(items, seed);
  const isSame = result.every((item, index) => item === items[index]);
  return isSame ? [...result.slice(1), ...result.slice(0, 1)] : result;
}

function hashOf(words: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < words.length; i++) hash = Math.imul(hash ^ words.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

function mulberry32(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

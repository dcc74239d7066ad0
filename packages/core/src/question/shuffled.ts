/**
 * The order that these words give. Whoever knows the words can work it out: not for what must stay secret.
 * Fisher–Yates on the generator mulberry32, seeded by an FNV-1a hash.
 */
export function shuffledByWords<T>(items: readonly T[], words: string): readonly T[] {
  return shuffle(items, mulberry32(hashOf(words)));
}

/** Fisher–Yates (Durstenfeld 1964) on a generator of numbers from 0 up to 1. */
export function shuffle<T>(items: readonly T[], random: () => number): readonly T[] {
  const result = [...items];
  for (let i = result.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [result[i], result[j]] = [result[j] as T, result[i] as T];
  }
  return result;
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

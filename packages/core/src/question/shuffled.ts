import { hmac } from '@noble/hashes/hmac.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { utf8ToBytes } from '@noble/hashes/utils.js';

/**
 * The items in an order that only who has the secret can work out, and that is the same whenever and wherever it is asked
 * for. Fisher–Yates (Durstenfeld 1964) on the generator sfc32 (from memory of PractRand), whose 128 bits of state are the
 * first of HMAC-SHA-256 (RFC 2104) of the name: too many to be tried.
 * @param secret of one attempt
 * @param name of what is shuffled; different names give independent orders
 */
export function shuffledBy<T>(secret: string, name: string, items: readonly T[]): readonly T[] {
  const bytes = hmac(sha256, utf8ToBytes(secret), utf8ToBytes(name));
  return shuffle(items, sfc32(new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)));
}

/**
 * The order that these words give. Whoever knows the words can work it out: not for what must stay secret.
 * Fisher–Yates on the generator mulberry32, seeded by an FNV-1a hash.
 */
export function shuffledByWords<T>(items: readonly T[], words: string): readonly T[] {
  return shuffle(items, mulberry32(hashOf(words)));
}

function shuffle<T>(items: readonly T[], random: () => number): readonly T[] {
  const result = [...items];
  for (let i = result.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [result[i], result[j]] = [result[j] as T, result[i] as T];
  }
  return result;
}

function sfc32(seed: DataView): () => number {
  let a = seed.getUint32(0);
  let b = seed.getUint32(4);
  let c = seed.getUint32(8);
  let counter = seed.getUint32(12);
  return () => {
    const mixed = (((a + b) | 0) + counter) | 0;
    counter = (counter + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = (((c << 21) | (c >>> 11)) + mixed) | 0;
    return (mixed >>> 0) / 4_294_967_296;
  };
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

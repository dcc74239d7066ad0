import { hmac } from '@noble/hashes/hmac.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { utf8ToBytes } from '@noble/hashes/utils.js';
import { shuffle } from './shuffled.ts';

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

import { sha1 } from '@noble/hashes/legacy.js';
import { bytesToHex, concatBytes, hexToBytes, utf8ToBytes } from '@noble/hashes/utils.js';

/** The namespace for URLs of RFC 9562, appendix A. */
const urlNamespace = '6ba7b811-9dad-11d1-80b4-00c04fd430c8';

/** The UUID of a name (RFC 9562, version 5): the same name has the same one everywhere. */
export function nameUuid(name: string): string {
  const hash = sha1(concatBytes(hexToBytes(urlNamespace.replaceAll('-', '')), utf8ToBytes(name))).slice(0, 16);
  hash[6] = ((hash[6] ?? 0) & 0x0f) | 0x50;
  hash[8] = ((hash[8] ?? 0) & 0x3f) | 0x80;
  const hex = bytesToHex(hash);
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}

/**
 * A short name for a text as it stands, so that whoever changes it can say which one. FNV-1a, 32 bit
 * (draft-eastlake-fnv): fit to notice a change, not to guard against one that is meant to deceive.
 */
export function fingerprintOf(text: string): string {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193) >>> 0;
  return hash.toString(16);
}

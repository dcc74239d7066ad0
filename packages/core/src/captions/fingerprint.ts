import type { CaptionCue } from './caption-cue.ts';

/**
 * A short name for captions as they stand, so that whoever changes them can say which ones. FNV-1a, 32 bit
 * (draft-eastlake-fnv): fit to notice a change, not to guard against one that is meant to deceive.
 */
export function fingerprint(cues: readonly CaptionCue[]): string {
  let hash = 0x811c9dc5;
  const text = JSON.stringify(cues.map(({ startMs, endMs, text: words }) => [startMs, endMs, words]));
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193) >>> 0;
  return `${cues.length}-${hash.toString(16)}`;
}

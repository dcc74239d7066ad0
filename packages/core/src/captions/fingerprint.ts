import { fingerprintOf } from '../text/fingerprint.ts';
import type { CaptionCue } from './caption-cue.ts';

/** A short name for captions as they stand, so that whoever changes them can say which ones. */
export function fingerprint(cues: readonly CaptionCue[]): string {
  const text = JSON.stringify(cues.map(({ startMs, endMs, text: words }) => [startMs, endMs, words]));
  return `${cues.length}-${fingerprintOf(text)}`;
}

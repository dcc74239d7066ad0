import { withoutTags } from '../text/linear.ts';

/** One caption. Times in whole milliseconds; `text` may carry WebVTT cue markup. */
export interface CaptionCue {
  readonly startMs: number;
  readonly endMs: number;
  readonly text: string;
}

export type CaptionFaultCode =
  | 'notCaptions'
  | 'timeUnreadable'
  | 'endBeforeStart'
  | 'overlapsPrevious'
  | 'cueWithoutWords'
  | 'blankLineMissing'
  | 'formUnusual';

/** Something odd in a caption file. `line` counts from 1; `kept` says whether the cue was taken all the same. */
export interface CaptionFault {
  readonly line: number;
  readonly code: CaptionFaultCode;
  readonly kept: boolean;
}

export interface CaptionReading {
  readonly cues: readonly CaptionCue[];
  readonly faults: readonly CaptionFault[];
}

/** A cue's words without markup, for the script and for search. WebVTT 1, section 6.4: tags and five named escapes. */
export function cueWords(text: string): string {
  return withoutTags(text)
    .replace(/&(amp|lt|gt|nbsp|lrm|rlm);/g, (_, name: string) => escapes[name] ?? '')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Words as the text of a cue, without markup: the other way round of `cueWords`. */
export function wordsToCue(words: string): string {
  return words.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}

const escapes: Record<string, string> = { amp: '&', lt: '<', gt: '>', nbsp: '\u00a0', lrm: '\u200e', rlm: '\u200f' };

import { withoutStretches } from '../text/linear.ts';
import type { CaptionCue, CaptionFault, CaptionReading } from './caption-cue.ts';

const timing = /^\s*(\d+):(\d{1,2}):(\d{1,2})[,.](\d{1,3})\s*-->\s*(\d+):(\d{1,2}):(\d{1,2})[,.](\d{1,3})(\s.*)?$/;

/**
 * Reads SubRip captions, which have no standard: blocks of an optional number, a line of times and lines of words.
 * A line with an arrow that cannot be read as times is reported, and its words are left out.
 */
export function readSrt(text: string): CaptionReading {
  const lines = text.split(/\r\n|\r|\n/);
  const cues: CaptionCue[] = [];
  const faults: CaptionFault[] = [];
  let words: string[] | null = null;
  let times: { startMs: number; endMs: number; line: number } | null = null;
  const close = () => {
    if (!times || !words) return;
    while (words.length > 0 && words.at(-1)?.trim() === '') words.pop();
    const { startMs, endMs, line } = times;
    if (endMs <= startMs) faults.push({ line, code: 'endBeforeStart', kept: false });
    else if (words.length === 0) faults.push({ line, code: 'cueWithoutWords', kept: false });
    else cues.push({ startMs, endMs, text: toVttText(words.join('\n')) });
  };
  for (const [index, line] of lines.entries()) {
    if (!line.includes('-->')) {
      words?.push(line);
      continue;
    }
    dropNumber(words);
    close();
    words = null;
    times = null;
    const match = timing.exec(line);
    if (!match) {
      faults.push({ line: index + 1, code: 'timeUnreadable', kept: false });
      continue;
    }
    times = { startMs: toMs(match.slice(1, 5)), endMs: toMs(match.slice(5, 9)), line: index + 1 };
    words = [];
  }
  close();
  if (cues.length === 0 && faults.length === 0) faults.push({ line: 1, code: 'notCaptions', kept: false });
  return { cues, faults };
}

/**
 * Takes the next block's number off the words before it. Words can be a number too ("1984"), so it is only taken
 * when a blank line or other words stand above it.
 */
function dropNumber(words: string[] | null): void {
  if (words && words.length > 1 && /^\s*\d+\s*$/.test(words.at(-1) ?? '')) words.pop();
}

function toMs([hours, minutes, seconds, fraction]: readonly string[]): number {
  const whole = (Number(hours) * 60 + Number(minutes)) * 60 + Number(seconds);
  return whole * 1000 + Math.round(Number(`0.${fraction}`) * 1000);
}

/** SubRip knows b, i, u and font; the first three mean the same in WebVTT, all else is escaped or dropped. */
function toVttText(text: string): string {
  return withoutStretches(text, '{\\', '}')
    .replace(/<\/?font[^<>]*>/gi, '')
    .replace(/&(?!(amp|lt|gt|nbsp|lrm|rlm);)/g, '&amp;')
    .replace(/<(?!\/?[biu]>)/gi, '&lt;');
}

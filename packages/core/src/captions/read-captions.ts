import webvtt from 'webvtt-parser';
import { decodeText } from '../text/decode-text.ts';
import type { CaptionCue, CaptionFault, CaptionFaultCode, CaptionReading } from './caption-cue.ts';
import { cueWords } from './caption-cue.ts';
import { readSrt } from './read-srt.ts';

/**
 * Reads a caption file, WebVTT or SubRip, in UTF-8, UTF-16 or Windows-1252.
 * @param bytes the file as it is
 * @returns the good cues in order of time, and every fault with its line; a file that is neither has one fault,
 *   `notCaptions`, and no cues
 */
export function readCaptions(bytes: Uint8Array): CaptionReading {
  const text = decodeText(bytes);
  const reading = text.startsWith('WEBVTT') ? readVtt(text) : readSrt(text);
  const cues = reading.cues.toSorted((a, b) => a.startMs - b.startMs || b.endMs - a.endMs);
  return { cues, faults: reading.faults.toSorted((a, b) => a.line - b.line) };
}

function readVtt(text: string): CaptionReading {
  if (!/^WEBVTT([ \t\r\n]|$)/.test(text)) return { cues: [], faults: [{ line: 1, code: 'notCaptions', kept: false }] };
  const parsed = new webvtt.WebVTTParser().parse(text, 'metadata');
  const faults: CaptionFault[] = parsed.errors.flatMap(({ message, line }) => {
    const code = codeOf(message);
    return code ? [{ line, code, kept: code !== 'timeUnreadable' && code !== 'endBeforeStart' }] : [];
  });
  const cues: CaptionCue[] = [];
  for (const cue of parsed.cues) {
    const startMs = Math.round(cue.startTime * 1000);
    const endMs = Math.round(cue.endTime * 1000);
    // A cue without words draws nothing, in a browser too; one that ends before it starts is never shown.
    if (endMs > startMs && cueWords(cue.text) !== '') cues.push({ startMs, endMs, text: cue.text });
  }
  return { cues, faults: [...faults, ...overlaps(text, cues)] };
}

/** The library's sentences, sorted by what they mean for a teacher; null for notes about styling that we do not use. */
function codeOf(message: string): CaptionFaultCode | null {
  if (/End timestamp is not greater/.test(message)) return 'endBeforeStart';
  if (/[Bb]lank line/.test(message)) return 'blankLineMissing';
  if (/Start timestamp is not greater/.test(message)) return 'formUnusual';
  if (/not separated (from|'-->'|from timestamp)|whitespace/.test(message)) return 'formUnusual';
  if (/[Tt]imestamp|digits|separator|minutes|seconds|time unit/.test(message)) return 'timeUnreadable';
  return null;
}

/** Overlapping cues are legal, but two lines of a script then say the same moment: worth a word. */
function overlaps(text: string, cues: readonly CaptionCue[]): CaptionFault[] {
  const lines = text.split(/\r\n|\r|\n/);
  const timingLines = lines.flatMap((line, index) => (line.includes('-->') ? [index + 1] : []));
  if (timingLines.length !== cues.length) return [];
  return cues.flatMap((cue, index) => {
    const before = cues[index - 1];
    const line = timingLines[index];
    return before && line && cue.startMs < before.endMs && cue.startMs >= before.startMs
      ? [{ line, code: 'overlapsPrevious' as const, kept: true }]
      : [];
  });
}

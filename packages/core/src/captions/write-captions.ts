import type { CaptionCue } from './caption-cue.ts';
import { cueWords } from './caption-cue.ts';

const pad = (value: number, width = 2) => String(value).padStart(width, '0');

function timestamp(ms: number, decimal: '.' | ','): string {
  const seconds = Math.floor(ms / 1000);
  const clock = `${pad(Math.floor(seconds / 3600))}:${pad(Math.floor(seconds / 60) % 60)}:${pad(seconds % 60)}`;
  return `${clock}${decimal}${pad(ms % 1000, 3)}`;
}

/** A blank line would end the cue; an arrow would start another. */
const safeLines = (text: string) => text.replace(/\n\s*\n+/g, '\n').replace(/-->/g, '--&gt;');

/** Writes cues as WebVTT (W3C WebVTT 1), UTF-8, lines ended by LF. */
export function writeVtt(cues: readonly CaptionCue[]): string {
  const blocks = cues.map(
    (cue, index) =>
      `${index + 1}\n${timestamp(cue.startMs, '.')} --> ${timestamp(cue.endMs, '.')}\n${safeLines(cue.text)}\n`,
  );
  return ['WEBVTT\n', ...blocks].join('\n');
}

/** Writes cues as SubRip, without markup. */
export function writeSrt(cues: readonly CaptionCue[]): string {
  return cues
    .map((cue, index) => {
      const words = cue.text.split('\n').map(cueWords).filter(Boolean).join('\n');
      return `${index + 1}\n${timestamp(cue.startMs, ',')} --> ${timestamp(cue.endMs, ',')}\n${words}\n`;
    })
    .join('\n');
}

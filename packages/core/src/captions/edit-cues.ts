import type { CaptionCue } from './caption-cue.ts';

/** A change of the captions of a film. Places are indexes into the cues in order of time. */
export type CueChange =
  | { readonly type: 'text'; readonly index: number; readonly text: string }
  | { readonly type: 'times'; readonly index: number; readonly startMs: number; readonly endMs: number }
  /** Cuts a cue in two behind a letter; the time is cut by the share of the letters. */
  | { readonly type: 'split'; readonly index: number; readonly offset: number }
  /** Puts a cue together with the next. */
  | { readonly type: 'merge'; readonly index: number }
  | { readonly type: 'remove'; readonly index: number }
  /** Moves all cues; what would begin before the film is held at its beginning. */
  | { readonly type: 'shift'; readonly byMs: number }
  /** Stretches all times, for captions made for another frame rate. */
  | { readonly type: 'scale'; readonly factor: number };

/** The shortest time a cue is shown. */
const shortestMs = 100;

/**
 * Changes captions; the result is in order of time.
 * @returns the cues after, or null when the change cannot be done: no such cue, an end that is not behind its start, a
 *   cut with no words on one side, a factor that is not above nought
 */
export function editCues(cues: readonly CaptionCue[], change: CueChange): readonly CaptionCue[] | null {
  switch (change.type) {
    case 'shift':
      return inOrder(cues.map((cue) => moved(cue, (ms) => ms + change.byMs)));
    case 'scale':
      if (!(change.factor > 0)) return null;
      return inOrder(cues.map((cue) => moved(cue, (ms) => ms * change.factor)));
    default: {
      const cue = cues[change.index];
      const changed = cue && editOne(cue, cues[change.index + 1], change);
      if (!changed) return null;
      return inOrder(cues.toSpliced(change.index, change.type === 'merge' ? 2 : 1, ...changed));
    }
  }
}

type OneChange = Exclude<CueChange, { type: 'shift' | 'scale' }>;

/** What stands in the place of a cue after the change; null when it cannot be done. */
function editOne(cue: CaptionCue, next: CaptionCue | undefined, change: OneChange): readonly CaptionCue[] | null {
  switch (change.type) {
    case 'text':
      return change.text.trim() === '' ? null : [{ ...cue, text: change.text.trim() }];
    case 'times': {
      const { startMs, endMs } = change;
      return startMs < 0 || endMs - startMs < shortestMs ? null : [{ ...cue, startMs, endMs }];
    }
    case 'split':
      return splitCue(cue, change.offset);
    case 'merge':
      return next
        ? [{ ...cue, endMs: Math.max(cue.endMs, next.endMs), text: `${cue.text.trimEnd()} ${next.text.trimStart()}` }]
        : null;
    case 'remove':
      return [];
  }
}

function splitCue(cue: CaptionCue, offset: number): readonly CaptionCue[] | null {
  const [first, second] = [cue.text.slice(0, offset).trim(), cue.text.slice(offset).trim()];
  if (first === '' || second === '') return null;
  const share = first.length / (first.length + second.length);
  const cutMs = Math.round(cue.startMs + share * (cue.endMs - cue.startMs));
  return [
    { ...cue, endMs: cutMs, text: first },
    { ...cue, startMs: cutMs, text: second },
  ];
}

function moved(cue: CaptionCue, toMs: (ms: number) => number): CaptionCue {
  const startMs = Math.max(0, Math.round(toMs(cue.startMs)));
  return { ...cue, startMs, endMs: Math.max(startMs + shortestMs, Math.round(toMs(cue.endMs))) };
}

const inOrder = (cues: readonly CaptionCue[]) => cues.toSorted((a, b) => a.startMs - b.startMs || b.endMs - a.endMs);

import type { Interval } from '../coverage/coverage.ts';
import { gapTimeMs, type ScriptLine } from '../script/script.ts';
import { topicShifts } from './cohesion.ts';

/** A place where it is good to stop, and why. */
export interface BreakPoint {
  /** Gap of the script: behind this many lines. */
  readonly gap: number;
  readonly atMs: number;
  readonly sentenceEnds: boolean;
  readonly silenceMs: number;
  /** How far the vocabulary shifts here, 0 to 1. */
  readonly topicShift: number;
}

/** A shift this deep is worth a word. Common practice, no source. */
export const clearTopicShift = 0.5;

/** What a reason weighs against the others; they sum to 1. Common practice, no source. */
const weights = { sentence: 0.35, silence: 0.25, topic: 0.4 };
/** A silence this long says all that a silence can. Common practice, no source. */
const fullSilenceMs = 1_000;
/** How much a bad place costs, against a stretch that is twice or half the wanted length. */
const placePrice = 0.8;

const sentenceEnd = /[.?!…。！？؟]["'”’»)]*\s*$/u;

/**
 * Proposes where to break a script into stretches of about a wanted length: sentence ends, silences and shifts of
 * vocabulary, weighed against the evenness of the stretches by dynamic programming over all gaps.
 * @param lines the script, in order
 * @param window the part's, in ms
 * @param targetMs wanted length of a stretch, > 0
 * @param silences of the sound, in order; null where nobody listened: then the gaps between captions stand for them
 * @returns places in order; none when the window is hardly longer than one stretch
 */
export function suggestBreaks(
  lines: readonly ScriptLine[],
  window: { readonly inMs: number; readonly outMs: number },
  targetMs: number,
  silences: readonly Interval[] | null = null,
): readonly BreakPoint[] {
  const candidates = candidatesIn(lines, window, silences);
  if (candidates.length === 0 || window.outMs - window.inMs < targetMs * 1.5) return [];
  return cheapestWay(candidates, window, targetMs);
}

function candidatesIn(
  lines: readonly ScriptLine[],
  { inMs, outMs }: { inMs: number; outMs: number },
  silences: readonly Interval[] | null,
): BreakPoint[] {
  const shifts = topicShifts(lines.map((line) => line.text ?? ''));
  return lines.slice(0, -1).flatMap((line, index): BreakPoint[] => {
    const gap = index + 1;
    const atMs = gapTimeMs(lines, gap);
    if (atMs <= inMs || atMs >= outMs) return [];
    const silenceMs = silences
      ? silenceAt(silences, atMs)
      : Math.max(0, (lines[gap] as ScriptLine).startMs - line.endMs);
    const sentenceEnds = line.tone !== undefined || sentenceEnd.test(line.text ?? '');
    // Nothing is proposed behind a heading: it belongs to what follows.
    if (line.tone === 'heading') return [];
    return [{ gap, atMs, sentenceEnds, silenceMs, topicShift: shifts[index] ?? 0 }];
  });
}

/** Captions do not end to the moment with the words. */
const besideMs = 400;

/** How long it is silent at a place; 0 where it is not. */
function silenceAt(silences: readonly Interval[], atMs: number): number {
  const silence = silences.find(({ fromMs, toMs }) => fromMs - besideMs <= atMs && toMs + besideMs >= atMs);
  return silence ? silence.toMs - silence.fromMs : 0;
}

/** How good a place is, 0 to 1. */
function quality({ sentenceEnds, silenceMs, topicShift }: BreakPoint): number {
  return (
    (sentenceEnds ? weights.sentence : 0) +
    weights.silence * Math.min(1, silenceMs / fullSilenceMs) +
    weights.topic * topicShift
  );
}

function cheapestWay(
  candidates: readonly BreakPoint[],
  { inMs, outMs }: { inMs: number; outMs: number },
  targetMs: number,
): readonly BreakPoint[] {
  const stretchPrice = (lengthMs: number) => Math.log2(Math.max(lengthMs, 1) / targetMs) ** 2;
  const places = [inMs, ...candidates.map((one) => one.atMs), outMs];
  const prices: number[] = [0];
  const cameFrom: number[] = [0];
  for (let to = 1; to < places.length; to++) {
    let best = Number.POSITIVE_INFINITY;
    let from = 0;
    // Backwards, and no further than four stretches: what is longer can only cost more.
    for (let at = to - 1; at >= 0; at--) {
      const lengthMs = (places[to] as number) - (places[at] as number);
      if (lengthMs > targetMs * 4 && best < Number.POSITIVE_INFINITY) break;
      const price = (prices[at] as number) + stretchPrice(lengthMs);
      if (price < best) [best, from] = [price, at];
    }
    const candidate = candidates[to - 1];
    prices[to] = best + (candidate ? placePrice * (1 - quality(candidate)) : 0);
    cameFrom[to] = from;
  }
  const chosen: BreakPoint[] = [];
  for (let at = cameFrom[places.length - 1] as number; at > 0; at = cameFrom[at] as number)
    chosen.unshift(candidates[at - 1] as BreakPoint);
  return chosen;
}

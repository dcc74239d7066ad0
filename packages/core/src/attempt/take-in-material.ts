import { addInterval } from '../coverage/coverage.ts';
import type { LearnerEvent } from './attempt-event.ts';
import type { AttemptState, PartState, Refusal } from './attempt-state.ts';
import { gateToleranceMs, isMaterialLocked, isPartOpen, playLimitMs } from './gates.ts';
import { partStateOf } from './settled.ts';
import type { Terms } from './terms.ts';
import { findPart, type WalkContext, type WalkPart } from './walk-lesson.ts';

/** How many times faster than an adult reader somebody may read and be believed. */
export const fastestReading = 4;

type MetEvent = Extract<LearnerEvent, { type: 'met' }>;

/** A stretch that was met, as far as gates and credit go. */
export function applyMet(context: WalkContext, state: AttemptState, event: MetEvent): AttemptState | Refusal {
  const part = findPart(context.lesson, event.partId);
  if (!part) return 'partUnknown';
  if (!isPartOpen(context, state, part.id)) return 'beyondGate';
  if (isMaterialLocked(context, state)) return 'lockedByStop';
  const before = partStateOf(state, part);
  if (!context.terms.skipping && event.fromMs > before.furthestMs + gateToleranceMs) return 'beyondGate';
  const fromMs = Math.max(event.fromMs, part.inMs);
  const gateMs = playLimitMs(part, state, context.terms);
  const price = creditPriceOf(part, context.terms);
  const creditEndMs = fromMs + state.intake.filmCreditMs / price;
  const toMs = Math.round(Math.min(event.toMs, gateMs, part.outMs, creditEndMs));
  const claimedMs = Math.max(0, event.toMs - event.fromMs);
  const believedMs = Math.max(0, toMs - fromMs);
  const overMs = claimedMs - believedMs;
  const doubts =
    overMs > gateToleranceMs ? { ...state.doubts, cutMs: state.doubts.cutMs + Math.round(overMs) } : state.doubts;
  if (believedMs === 0) return { ...state, doubts };
  const after: PartState = {
    coverage: addInterval(before.coverage, { fromMs, toMs }),
    furthestMs: Math.max(before.furthestMs, toMs),
    positionMs: toMs,
  };
  return {
    ...state,
    doubts,
    currentPartId: part.id,
    parts: { ...state.parts, [part.id]: after },
    intake: { ...state.intake, filmCreditMs: state.intake.filmCreditMs - believedMs * price },
  };
}

/**
 * What a millisecond of a part costs of the film credit, which grows with the clock times the fastest rate. A text or
 * slides may be met at up to four times the pace of an adult reader, whatever the rate for films: about 950 words a
 * minute, beyond which nobody reads. From memory, no source.
 */
function creditPriceOf(part: WalkPart, terms: Terms): number {
  return part.kind === 'clip' ? 1 : terms.maxRate / fastestReading;
}

/** Remembers where to go on; a place beyond the gate is pulled back to it. */
export function moveTo(
  context: WalkContext,
  state: AttemptState,
  partId: string,
  atMs: number,
): AttemptState | Refusal {
  const part = findPart(context.lesson, partId);
  if (!part) return 'partUnknown';
  if (!isPartOpen(context, state, partId)) return 'beyondGate';
  const before = partStateOf(state, part);
  const limitMs = context.terms.skipping
    ? part.outMs
    : Math.min(before.furthestMs, playLimitMs(part, state, context.terms));
  const positionMs = Math.min(Math.max(atMs, part.inMs), Math.max(limitMs, part.inMs));
  return { ...state, currentPartId: partId, parts: { ...state.parts, [partId]: { ...before, positionMs } } };
}

import type { LearnerEvent } from '../attempt/attempt-event.ts';
import { type AttemptState, type PartState, type Sitting, slackMs } from '../attempt/attempt-state.ts';
import { withBlockTime, withMove, withPause } from '../attempt/how-it-went.ts';
import type { Refusal } from '../attempt/refusal.ts';
import type { Terms } from '../attempt/terms.ts';
import { addInterval, type Coverage } from '../coverage/coverage.ts';
import { gateToleranceMs, isMaterialLocked, isPartOpen, playLimitMs } from '../walk/gates.ts';
import { partStateOf } from '../walk/settled.ts';
import { findPart, type WalkContext, type WalkPart } from '../walk/walk-lesson.ts';

/** How many times faster than an adult reader somebody may read and be believed. */
export const fastestReading = 4;

type MetEvent = Extract<LearnerEvent, { type: 'met' }>;

/** A stretch that was met, as far as gates and credit go. */
export function applyMet(
  context: WalkContext,
  state: AttemptState,
  event: MetEvent,
  spentMs: number,
): AttemptState | Refusal {
  const part = findPart(context.lesson, event.partId);
  if (!part) return 'partUnknown';
  if (!isPartOpen(context, state, part.id)) return 'beyondGate';
  if (isMaterialLocked(context, state)) return 'lockedByStop';
  const before = partStateOf(state, part);
  if (!context.terms.skipping && event.fromMs > before.furthestMs + gateToleranceMs) return 'beyondGate';
  const fromMs = Math.max(event.fromMs, part.inMs);
  const gateMs = playLimitMs(part, state, context);
  const sitting = state.intake.sittings[event.sittingId];
  if (!sitting) return 'notReached';
  const price = creditPriceOf(part, context.terms);
  const creditEndMs = fromMs + sitting.creditMs / price;
  const furthestEndMs = Math.min(event.toMs, gateMs, part.outMs);
  const bySitting = addInterval(before.coverage, { fromMs, toMs: Math.round(Math.min(furthestEndMs, creditEndMs)) });
  // All sittings together: what is met for the first time is bounded by the time since the attempt began.
  const allMs = (event.receivedAt - state.begunAt + slackMs) * context.terms.maxRate - state.intake.newlyMetMs;
  const overAllMs = Math.max(0, (unionMs(bySitting) - unionMs(before.coverage)) * price - allMs) / price;
  const toMs = Math.round(Math.min(furthestEndMs, creditEndMs) - overAllMs);
  const claimedMs = Math.max(0, event.toMs - event.fromMs);
  const believedMs = Math.max(0, toMs - fromMs);
  const overMs = claimedMs - believedMs;
  const discrepancies =
    overMs > gateToleranceMs
      ? withDiscrepancy(state.discrepancies, Math.round(overMs), sitting.away)
      : state.discrepancies;
  if (believedMs === 0) return { ...state, discrepancies };
  const coverage = overAllMs > 0 ? addInterval(before.coverage, { fromMs, toMs }) : bySitting;
  const newlyMs = (unionMs(coverage) - unionMs(before.coverage)) * price;
  const met: PartState = { ...before, coverage, furthestMs: Math.max(before.furthestMs, toMs), positionMs: toMs };
  const after = part.kind === 'clip' ? met : withBlockTime(met, event.fromMs, spentMs);
  const spent: Sitting = { ...sitting, creditMs: sitting.creditMs - believedMs * price, metAtMs: sitting.deviceMs };
  return {
    ...state,
    discrepancies,
    currentPartId: part.id,
    parts: { ...state.parts, [part.id]: after },
    intake: {
      ...state.intake,
      newlyMetMs: state.intake.newlyMetMs + newlyMs,
      sittings: { ...state.intake.sittings, [event.sittingId]: spent },
    },
  };
}

function withDiscrepancy(
  discrepancies: AttemptState['discrepancies'],
  overMs: number,
  isHidden: boolean,
): AttemptState['discrepancies'] {
  return {
    ...discrepancies,
    cutMs: discrepancies.cutMs + overMs,
    hiddenMs: discrepancies.hiddenMs + (isHidden ? overMs : 0),
  };
}

const unionMs = (coverage: Coverage) => coverage.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0);

/**
 * What a millisecond of a part costs of the film credit, which grows with the clock times the fastest rate. A text or
 * slides may be met at up to four times the pace of an adult reader, whatever the rate for films: about 950 words a
 * minute, beyond which nobody reads. From memory, no source.
 */
function creditPriceOf(part: WalkPart, terms: Terms): number {
  return part.kind === 'clip' ? 1 : terms.maxRate / fastestReading;
}

/** Where a film halts by itself, at a stop or its end, nobody paused it. */
const haltToleranceMs = 1_500;

export function applyPaused(
  context: WalkContext,
  state: AttemptState,
  { partId, atMs }: Extract<LearnerEvent, { type: 'paused' }>,
): AttemptState | Refusal {
  const part = findPart(context.lesson, partId);
  const halts = part ? [...part.stops.map((stop) => stop.atMs), part.outMs] : [];
  const halted = halts.some((haltMs) => Math.abs(haltMs - atMs) <= haltToleranceMs);
  return moveTo(context, state, partId, atMs, (before) => (halted ? before : withPause(before, atMs)));
}

export function applySought(
  context: WalkContext,
  state: AttemptState,
  { partId, fromMs, toMs }: Extract<LearnerEvent, { type: 'sought' }>,
): AttemptState | Refusal {
  return moveTo(context, state, partId, toMs, (before) => withMove(before, fromMs, toMs));
}

/** Remembers where to go on; a place beyond the gate is pulled back to it. */
function moveTo(
  context: WalkContext,
  state: AttemptState,
  partId: string,
  atMs: number,
  noting: (before: PartState) => PartState,
): AttemptState | Refusal {
  const part = findPart(context.lesson, partId);
  if (!part) return 'partUnknown';
  if (!isPartOpen(context, state, partId)) return 'beyondGate';
  const before = partStateOf(state, part);
  const limitMs = context.terms.skipping ? part.outMs : Math.min(before.furthestMs, playLimitMs(part, state, context));
  const positionMs = Math.min(Math.max(atMs, part.inMs), Math.max(limitMs, part.inMs));
  return { ...state, currentPartId: partId, parts: { ...state.parts, [partId]: { ...noting(before), positionMs } } };
}

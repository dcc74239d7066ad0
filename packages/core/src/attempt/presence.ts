import type { AttemptEvent } from './attempt-event.ts';
import { type AttemptState, type Sitting, slackMs } from './attempt-state.ts';
import type { EventTime } from './event-time.ts';
import { withTime } from './how-it-went.ts';
import { afterNumber, withSitting } from './sittings.ts';
import type { Terms } from './terms.ts';

/** A gap between two events of a sitting longer than this counts only this much towards time spent, in ms. */
export const longestCountedGapMs = 120_000;

/** Film that was met just before the tab was hidden may be told just after, with this much slack, in ms. */
const hidingSlackMs = 1_000;

/**
 * Counts time on task, and lets the film credit of a sitting grow with its clock: as many seconds of film for each
 * second as the highest rate allows. While the tab is hidden nothing is counted and nothing grows.
 */
export function countPresence(
  terms: Pick<Terms, 'maxRate'>,
  state: AttemptState,
  event: AttemptEvent,
  { at, shiftMs }: EventTime,
): AttemptState {
  const before = state.intake.sittings[event.sittingId];
  // By the device's own clock, which tells how long things took however wrong it is, and never more than has passed.
  const deviceMs = before?.deviceMs ?? 0;
  const boundMs = event.receivedAt - state.begunAt + slackMs - deviceMs;
  const ranMs = before ? Math.max(0, Math.min(event.at - shiftMs - before.deviceAt, boundMs)) : 0;
  const elapsedMs = before?.away ? 0 : ranMs;
  const creditMs = (before?.creditMs ?? slackMs * terms.maxRate) + elapsedMs * terms.maxRate;
  const metAtMs = before?.metAtMs ?? 0;
  const type = event.type === 'refused' ? event.was : event.type;
  const sitting: Sitting = {
    ...afterNumber(before, event.n, event.n - (event.merged?.count ?? 0)),
    at,
    heardAt: event.receivedAt,
    shiftMs,
    deviceAt: event.at - shiftMs,
    deviceMs: deviceMs + ranMs,
    away: isAwayAfter(type, before?.away ?? false),
    // What was saved up before is no allowance for what plays unseen.
    creditMs:
      type === 'hidden' ? Math.min(creditMs, (deviceMs + ranMs - metAtMs + hidingSlackMs) * terms.maxRate) : creditMs,
    metAtMs,
    ...(before?.waitsUntil === undefined ? {} : { waitsUntil: before.waitsUntil }),
  };
  // Whatever many devices say, no more time is spent than has passed.
  const passedMs = Math.max(0, event.receivedAt - state.begunAt + slackMs - state.timeSpentMs);
  const gapMs = state.handedInAt === null ? Math.min(elapsedMs, longestCountedGapMs) : 0;
  const spentMs = Math.min(event.merged?.spentMs ?? gapMs, passedMs);
  const leaves = type === 'hidden' && !before?.away;
  return withSitting(
    {
      ...state,
      spells: withTime(state.spells ?? [], at, spentMs, leaves ? 1 : 0),
      lastSeenAt: Math.max(state.lastSeenAt, at),
      timeSpentMs: state.timeSpentMs + spentMs,
    },
    event.sittingId,
    sitting,
  );
}

function isAwayAfter(type: AttemptEvent['type'], before: boolean): boolean {
  if (type === 'hidden') return true;
  // Other events come while a tab is hidden as well: what was met just before, drafts that were under way.
  return type === 'shown' || type === 'opened' ? false : before;
}

import type { AttemptEvent } from './attempt-event.ts';
import type { Sitting } from './attempt-state.ts';

/** How far a device's reckoning of the server's clock may be off before its clock is taken to be wrong, in ms. */
const clockToleranceMs = 60_000;

/** When an event happened, as far as it can be known. */
export interface EventTime {
  /** Epoch ms: never before the attempt or the event before it, never after it came in. */
  readonly at: number;
  /** What has to be added to the device's clock. */
  readonly shiftMs: number;
}

/**
 * When an event happened. The device says so; the server's clock bounds it: nothing happened before the attempt was
 * begun, before the earlier events of the same sitting, or after it came in. A clock that is found to be wrong is moved,
 * and goes on from there. What an honest device says is never changed, so that it does not matter in how many pieces,
 * or how late, its events are sent.
 * @param sitting what is known of the event's sitting; undefined for its first event
 * @param begunAt of the attempt, server clock, epoch ms
 */
export function timeOf(event: AttemptEvent, sitting: Sitting | undefined, begunAt: number): EventTime {
  let shiftMs = sitting?.shiftMs ?? firstShiftMs(event, begunAt);
  let at = event.at + shiftMs;
  const earliest = sitting?.at ?? begunAt;
  if (at < earliest) at = earliest;
  if (at > event.receivedAt) at = Math.max(event.receivedAt, earliest);
  shiftMs = at - event.at;
  return { at, shiftMs: Math.abs(shiftMs) < 1 ? 0 : shiftMs };
}

function firstShiftMs({ at, receivedAt }: AttemptEvent, begunAt: number): number {
  const isPlausible = at >= begunAt - clockToleranceMs && at <= receivedAt + clockToleranceMs;
  return isPlausible ? 0 : receivedAt - at;
}

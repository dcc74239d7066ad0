import type { ErrorCode, SentEvent } from '@semita/core/contract';
import { codeOf } from '../../api/api-error.ts';

/** Most events, and most characters of JSON, that one request brings. */
export const maxPerBatch = 50;
const longestBatch = 200_000;
/** Browsers take at most 64 kB in requests that outlive their page. */
const longestKeptAlive = 60_000;

/** How much the next request may bring; halved when the server could not read one, until the one event is found. */
export interface BatchLimit {
  readonly count: number;
}

/** The first events of a list that go into one request: at least one, however long it is. */
export function nextBatch<E>(events: readonly E[], { count }: BatchLimit, longest = longestBatch): E[] {
  const batch: E[] = [];
  let length = 0;
  for (const event of events.slice(0, count)) {
    length += JSON.stringify(event).length;
    if (batch.length > 0 && length > longest) break;
    batch.push(event);
  }
  return batch;
}

/** The first events that a page on its way out can still send; none where the first is too long for that. */
export function lastBatch(events: readonly SentEvent[]): SentEvent[] {
  const batch = nextBatch(events, { count: maxPerBatch }, longestKeptAlive);
  return JSON.stringify(batch).length > longestKeptAlive ? [] : batch;
}

/** Whether the server said that it cannot read what it was sent; then sending it again is of no use. */
export function isUnreadable(error: unknown): boolean {
  const code: ErrorCode | 'offline' = codeOf(error);
  return code === 'inputInvalid' || code === 'bodyTooLarge';
}

/** What stands in the place of an event that cannot be sent, so that those behind it do not wait for it. */
export function gapFor({ id, sittingId, n, at }: SentEvent): SentEvent {
  return { type: 'gap', id, sittingId, n, at };
}

import type { IntakeAnswer, SentEvent } from '@semita/core/contract';
import { codeOf } from '../../api/api-error.ts';
import { gapFor, isUnreadable, maxPerBatch, nextBatch } from './event-batches.ts';
import type { Outbox } from './outbox.ts';

/** What became of work that was left on this device. */
export interface LeftOver {
  readonly sent: number;
  /** Still here, because there is no connection or nobody is signed in. */
  readonly kept: number;
  /** Came in after closing: a teacher says whether it counts. */
  readonly afterClosing: number;
}

/**
 * Sends what earlier walks on this device left behind, because the page was closed before the connection came back.
 * What the server will not take stays where it is.
 */
export async function sendLeftOver(
  outbox: Outbox,
  send: (attemptId: string, events: SentEvent[]) => Promise<Pick<IntakeAnswer, 'outcomes'>>,
): Promise<LeftOver> {
  let total: LeftOver = { sent: 0, kept: 0, afterClosing: 0 };
  for (const attemptId of await outbox.listAttempts()) {
    const { sent, kept, afterClosing, isOffline } = await sendOne(outbox, attemptId, send);
    total = {
      sent: total.sent + sent,
      kept: total.kept + kept,
      afterClosing: total.afterClosing + afterClosing,
    };
    if (isOffline) return total;
  }
  return total;
}

async function sendOne(
  outbox: Outbox,
  attemptId: string,
  send: Parameters<typeof sendLeftOver>[1],
): Promise<LeftOver & { isOffline: boolean }> {
  let events = await outbox.list(attemptId);
  let count = maxPerBatch;
  let sent = 0;
  let afterClosing = 0;
  while (events.length > 0) {
    const batch = nextBatch(events, { count });
    try {
      const { outcomes } = await send(attemptId, batch);
      const early = new Set(outcomes.flatMap(({ id, kind }) => (kind === 'tooEarly' ? [id] : [])));
      const done = batch.filter(({ id }) => !early.has(id));
      await outbox.remove(attemptId, new Set(done.map(({ id }) => id)));
      sent += done.length;
      afterClosing += outcomes.filter(({ kind }) => kind === 'afterClosing').length;
      events = events.filter((event) => !done.includes(event));
      // The server waits for events that are not here; it goes on without them after a while.
      if (done.length === 0) return { sent, kept: events.length, afterClosing, isOffline: false };
      count = maxPerBatch;
    } catch (error) {
      const code = codeOf(error);
      if (!isUnreadable(error))
        return { sent, kept: events.length, afterClosing, isOffline: code === 'offline' || code === 'notSignedIn' };
      const [bad] = batch as [SentEvent];
      if (batch.length > 1) count = Math.ceil(batch.length / 2);
      else if (bad.type === 'gap') {
        // Not even that it is missing can be said: the server goes on without it after a while.
        await outbox.remove(attemptId, new Set([bad.id]));
        events = events.slice(1);
      } else events = [gapFor(bad), ...events.slice(1)];
    }
  }
  return { sent, kept: 0, afterClosing, isOffline: false };
}

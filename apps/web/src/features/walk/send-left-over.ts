import type { SentEvent } from '@semita/core/contract';
import { codeOf } from '../../api/api-error.ts';
import type { Outbox } from './outbox.ts';

const batchSize = 50;

/**
 * Sends what earlier walks on this device left behind, because the page was closed before the connection came back.
 * What the server will not take, such as the work of another student who used this device, stays where it is.
 * @returns how many events were sent
 */
export async function sendLeftOver(
  outbox: Outbox,
  send: (attemptId: string, events: SentEvent[]) => Promise<unknown>,
): Promise<number> {
  let sent = 0;
  for (const attemptId of await outbox.listAttempts()) {
    const events = await outbox.list(attemptId);
    try {
      for (let at = 0; at < events.length; at += batchSize) {
        const batch = events.slice(at, at + batchSize);
        await send(attemptId, batch);
        await outbox.remove(attemptId, new Set(batch.map((event) => event.id)));
        sent += batch.length;
      }
    } catch (error) {
      if (codeOf(error) === 'offline') return sent;
    }
  }
  return sent;
}

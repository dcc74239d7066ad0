import type { IntakeAnswer, SentEvent } from '@semita/core/contract';
import { call } from '../../api/client.ts';

/**
 * What a student does in a review waits on the device beside what they do in lessons. It goes to another door, so it
 * lies there under a name of its own.
 */
const mark = 'review:';

export const reviewKey = (roundId: string): string => `${mark}${roundId}`;

/** Sends what lies in the outbox under a name to where it belongs. */
export function sendToDoor(key: string, events: SentEvent[]): Promise<IntakeAnswer> {
  if (key.startsWith(mark))
    return call('takeInReview', { params: { roundId: key.slice(mark.length) }, body: { events } });
  return call('takeInEvents', { params: { attemptId: key }, body: { events } });
}

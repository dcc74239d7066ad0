import { type AttemptEvent, eventTraits, type LearnerEventBody } from '@semita/core/attempt';
import type { Outcome } from '@semita/core/reducer';

/** What the log keeps of an event: of what a learner did and was refused only that it came, and why. */
export function loggedEvent(event: AttemptEvent, outcome: Outcome): AttemptEvent {
  if (outcome.kind !== 'refused' || eventTraits[event.type].by !== 'learner') return event;
  const { id, sittingId, n, at, receivedAt } = event;
  const body = { type: 'refused', was: event.type as LearnerEventBody['type'], reason: outcome.reason } as const;
  return { ...body, id, sittingId, n, at, receivedAt };
}

import type { IntakeAnswer, OpenedPractice, SentEvent } from '@semita/core/contract';
import { v7 } from 'uuid';
import { call } from '../../api/client.ts';
import { gapFor } from '../outbox/event-batches.ts';
import type { Outbox } from '../outbox/outbox.ts';
import { createRehearsalFiles } from '../question/answer-files.ts';
import { createWalkSession, type RecordedWalk } from '../walk/walk-session.ts';

/** Nothing of it outlives the page. */
const nowhere: Outbox = {
  add: async () => undefined,
  list: async () => [],
  remove: async () => undefined,
  listAttempts: async () => [],
  clear: async () => undefined,
};

/** A walk that is marked by the server and kept by nobody: with each step all that was done so far is sent again. */
export function createPracticeSession(practiceToken: string, opened: OpenedPractice): RecordedWalk {
  const { walkId, begunAt, terms } = opened;
  let { view } = opened;
  /** By their numbers within the one sitting that there is. */
  const done = new Map<number, SentEvent>();
  const send = async (events: readonly SentEvent[]): Promise<IntakeAnswer> => {
    for (const event of events) {
      forgetDrafts(done, event);
      done.set(event.n, event);
    }
    const all = [...done.values()].toSorted((a, b) => a.n - b.n);
    const answer = await call('walkPractice', { params: { practiceToken }, body: { walkId, begunAt, events: all } });
    const sent = new Set(events.map(({ id }) => id));
    if (answer.view) view = answer.view;
    return { ...answer, outcomes: answer.outcomes.filter(({ id }) => sent.has(id)) };
  };
  return createWalkSession({
    ...{ attemptId: walkId, assignmentId: null, terms, view, serverNow: opened.now, leftOver: [], outbox: nowhere },
    files: createRehearsalFiles(v7),
    send,
    // Nobody else can have done anything meanwhile.
    refresh: async () => view,
    newId: () => v7(),
  });
}

/** Of what is typed only the last counts; with all that was typed on the way a long answer would soon be too much to send. */
function forgetDrafts(done: Map<number, SentEvent>, event: SentEvent): void {
  if (event.type !== 'draftSaved') return;
  for (const [n, before] of done)
    if (before.type === 'draftSaved' && before.questionId === event.questionId) done.set(n, gapFor(before));
}

import { allShown } from '@semita/core/assignment';
import { type AttemptState, beginAttempt, type LearnerEventBody, type Terms } from '@semita/core/attempt';
import { learnerView } from '@semita/core/learner';
import type { Lesson } from '@semita/core/lesson';
import { createContext, ownContext } from '@semita/core/own-lesson';
import { takeIn } from '@semita/core/reducer';
import { createRehearsalFiles } from '../question/answer-files.ts';
import { nothingUntaken, type WalkSession, type WalkSnapshot } from './walk-session.ts';

/**
 * A walk through a draft by its teacher: the same rules, the same marks, and nothing recorded anywhere.
 * @param begun where it begins: at the very beginning, as a student of some groups, or where another rehearsal stands
 */
export function createRehearsalSession(
  lesson: Lesson,
  terms: Terms,
  newId: () => string,
  begun: AttemptState = beginAttempt({ begunAt: Date.now(), secret: newId() }),
): WalkSession {
  const context = ownContext(createContext(lesson, terms), begun);
  const sittingId = newId();
  const listeners = new Set<() => void>();
  let n = 0;
  const show = (state: WalkSnapshot['state']): WalkSnapshot => ({
    ...learnerView(lesson, state, terms, allShown),
    state,
    terms,
    link: 'rehearsal',
    overtaken: false,
    untaken: nothingUntaken,
  });
  let snapshot = show(begun);
  return {
    context,
    assignmentId: null,
    files: createRehearsalFiles(newId),
    now: Date.now,
    getSnapshot: () => snapshot,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    record(body: LearnerEventBody) {
      const now = Date.now();
      const { state, outcome } = takeIn(context, snapshot.state, {
        ...body,
        id: newId(),
        sittingId,
        n,
        at: now,
        receivedAt: now,
      });
      if (outcome.kind !== 'taken') return outcome.kind;
      n++;
      snapshot = show(state);
      for (const listener of listeners) listener();
      return outcome.kind;
    },
    start: () => () => undefined,
  };
}

import type { AttemptState } from '@semita/core/attempt';
import type { WalkLesson } from '@semita/core/walk';

/** What is kept of attempts beside their log, for pages to read. A cache: rebuilt by one command, and equal to what is stored. */
export interface Projection {
  /**
   * Told of every new state, inside the transaction that keeps the events.
   * @param before null where all is to be kept anew
   */
  keep(attemptId: string, lesson: WalkLesson, before: AttemptState | null, after: AttemptState): void;
}

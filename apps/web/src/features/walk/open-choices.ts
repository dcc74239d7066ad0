import type { AttemptState } from '@semita/core/attempt';
import type { LearnerLesson, LearnerStop } from '@semita/core/learner';
import { openChoices } from '@semita/core/walk';

/** A fork with the ways that are open to the student now; any other stop as it is. */
export function withOpenChoices<S extends LearnerStop>(lesson: LearnerLesson, state: AttemptState, stop: S): S {
  return stop.kind === 'fork' ? { ...stop, choices: openChoices(lesson, state, stop.choices) } : stop;
}

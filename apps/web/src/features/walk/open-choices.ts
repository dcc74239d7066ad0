import { type AttemptState, type LearnerLesson, type LearnerStop, openChoices } from '@semita/core';

/** A fork with the ways that are open to the student now; any other stop as it is. */
export function withOpenChoices<S extends LearnerStop>(lesson: LearnerLesson, state: AttemptState, stop: S): S {
  return stop.kind === 'fork' ? { ...stop, choices: openChoices(lesson, state, stop.choices) } : stop;
}

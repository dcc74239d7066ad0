import type { EventBody } from './attempt-event.ts';

/** What is to be known of an event before anything is done with it. */
export interface EventTraits {
  /** Who makes it. */
  readonly by: 'learner' | 'teacher';
  /** The student waits for it, or must not lose it: it is sent at once. */
  readonly isUrgent: boolean;
  /** Something may have been earned or ended by it, so the browser is sent a new view. */
  readonly showsMore: boolean;
  /** Changes nothing about what was earned; taken also after closing, from whoever works on an answer again. */
  readonly isHarmless: boolean;
}

const quiet = { by: 'learner', isUrgent: false, showsMore: false, isHarmless: true } as const;
const deed = { by: 'learner', isUrgent: true, showsMore: true, isHarmless: false } as const;
const teachers = { by: 'teacher', isUrgent: false, showsMore: false, isHarmless: false } as const;

/** One line for every type of event. The compiler refuses a type without one. */
export const eventTraits: Readonly<Record<EventBody['type'], EventTraits>> = {
  opened: quiet,
  hidden: quiet,
  shown: quiet,
  met: quiet,
  paused: quiet,
  sought: quiet,
  draftSaved: quiet,
  gap: quiet,
  reachedStop: { ...deed, isUrgent: false, showsMore: false },
  acknowledged: { ...deed, showsMore: false },
  passedStop: { ...deed, isUrgent: false },
  answered: deed,
  kept: deed,
  hintTaken: deed,
  began: deed,
  timeUp: deed,
  chose: deed,
  openedTile: deed,
  didTile: deed,
  handedIn: deed,
  withdrawn: deed,
  revised: { ...deed, isHarmless: true },
  marked: teachers,
  commented: teachers,
  returned: teachers,
  remarked: teachers,
  extended: teachers,
  grouped: teachers,
  admitted: teachers,
  refused: { ...quiet, isHarmless: false },
};

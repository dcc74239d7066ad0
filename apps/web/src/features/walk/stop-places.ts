import type { LearnerStop } from '@semita/core/learner';
import { stopsOnRoute } from '@semita/core/walk';
import { t } from '../../words/words.ts';
import type { WalkSnapshot } from './walk-session.ts';
import './words.ts';

/** The stops on a student's way, and what each is called: by its number among them. */
export function stopPlaces({ lesson, state }: Pick<WalkSnapshot, 'lesson' | 'state'>) {
  const onRoute = stopsOnRoute(lesson, state);
  const stops = lesson.parts.flatMap((part) => part.stops).filter(({ id }) => onRoute?.has(id) ?? true);
  const placeOf = (stop: LearnerStop) => t('walk.stopOf', { number: stops.indexOf(stop) + 1, count: stops.length });
  return { stops, placeOf };
}

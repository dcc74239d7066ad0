import { type Lesson, lessonLengths, type Part, possiblePoints } from '@semita/core/lesson';
import { formatPoints } from '../../words/format.ts';
import { formatLengths } from '../../words/position.ts';
import { t } from '../../words/words.ts';

/** What a part shows: itself, or the parts of another lesson in its place. */
export const shownBy = (part: Part, whole: Lesson | undefined): readonly Part[] =>
  part.kind === 'lesson' ? (whole?.parts.filter(({ from }) => from?.linkId === part.id) ?? []) : [part];

/**
 * How long a part is, and what it can earn: "3:11 of film, 2 min to answer · 4 points".
 * @param whole the lesson with other lessons that it shows in their places: a part that shows one is as long as that
 */
export function partFigures(part: Part, whole?: Lesson): string {
  const inside = shownBy(part, whole);
  const counting = inside.filter(({ practice }) => !practice).flatMap(({ stops }) => stops);
  const points = counting.reduce((sum, stop) => sum + possiblePoints(stop), 0);
  const counted = points > 0 ? t('stop.pointsOnly', { count: points / 100, points: formatPoints(points) }) : '';
  return [formatLengths(lessonLengths(inside)), part.practice ? t('part.practice') : counted]
    .filter((words) => words !== '')
    .join(' · ');
}

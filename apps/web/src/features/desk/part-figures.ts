import { lessonLengths, type Part, possiblePoints } from '@semita/core';
import { formatPoints } from '../../words/format.ts';
import { formatLengths } from '../../words/place.ts';
import { t } from '../../words/words.ts';

/** How long a part is, and what it can earn: "3:11 of film, 2 min to answer · 4 points". */
export function partFigures(part: Part): string {
  const points = part.stops.reduce((sum, stop) => sum + possiblePoints(stop), 0);
  const counted = points > 0 ? t('stop.pointsOnly', { count: points / 100, points: formatPoints(points) }) : '';
  return [formatLengths(lessonLengths([part])), part.practice ? t('part.practice') : counted]
    .filter((words) => words !== '')
    .join(' · ');
}

import type { Lesson } from '@semita/core/lesson';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import './words.ts';

/** The parts of a route by name, each where it is come to first: "The beam → The arch". */
export const routeTitles = (lesson: Lesson, partIds: readonly string[]): string =>
  [...new Set(partIds)]
    .map((id) => lesson.parts.find((part) => part.id === id)?.title || t('path.untitled'))
    .join(' → ');

interface Props {
  readonly isLit: boolean;
  readonly title: string;
  readonly figures: string;
  readonly onClick: () => void;
}

/** A route in a list; pressed, it is lit on the map. */
export function RouteButton({ isLit, title, figures, onClick }: Props) {
  return (
    <button
      type="button"
      aria-pressed={isLit}
      onClick={onClick}
      className={joinClasses(
        'grid w-full gap-0.5 rounded-control border px-2.5 py-1.5 text-left text-14 hover:bg-main-tint',
        isLit ? 'border-main bg-main-tint' : 'border-line',
      )}
    >
      <span className={joinClasses('break-words', !isLit && 'line-clamp-5')}>{title}</span>
      <span className="text-13 text-quiet">{figures}</span>
    </button>
  );
}

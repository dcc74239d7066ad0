import type { Lesson } from '@semita/core/lesson';
import { ArrowRight, TriangleAlert } from 'lucide-react';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { partFigures } from '../lesson-parts/part-figures.ts';
import { PartIcon } from '../lesson-parts/part-icon.tsx';
import type { PathPicture } from './path-picture.ts';
import { waySentence } from './way-words.ts';
import './words.ts';
import '../lesson-parts/words.ts';

/** All that the map shows, in words: each part with the ways that lead from it. */
export function PathList({ lesson, whole, ways, faults, selectedId, onSelect, lit, taken, noteOf }: PathPicture) {
  return (
    <ol aria-label={t('path.list')} className="grid content-start gap-2 p-4">
      {lesson.parts.map((part, index) => {
        const faulty = faults.get(part.id) ?? [];
        const note = noteOf?.(part.id);
        const from = ways.filter(({ fromPartId }) => fromPartId === part.id);
        return (
          <li
            key={part.id}
            className={joinClasses(
              'grid gap-1 rounded-card border p-3',
              part.id === selectedId ? 'border-main' : 'border-line',
              lit && !lit.partIds.has(part.id) ? 'bg-paper text-quiet' : 'bg-card',
            )}
          >
            <button
              type="button"
              aria-pressed={part.id === selectedId}
              onClick={() => onSelect(part.id === selectedId ? null : part.id)}
              className="flex items-start gap-2 text-left"
            >
              <PartIcon kind={part.kind} className="mt-1" />
              <span className="grid">
                <span className="font-medium">
                  {index + 1}. {part.title || t('path.untitled')}
                </span>
                <span className="text-14 text-quiet">
                  {[partFigures(part, whole), note].filter(Boolean).join(' · ')}
                </span>
              </span>
            </button>
            {faulty.map((code) => (
              <p key={code} className="flex items-center gap-1.5 pl-6 text-14 text-brick">
                <TriangleAlert aria-hidden className="size-4 shrink-0" strokeWidth={1.75} />
                {t(`fault.${code}`)}
              </p>
            ))}
            <ul className="grid gap-0.5 pl-6 text-14">
              {isFree(lesson, index) && <li className="text-quiet">{t('path.inAnyOrder')}</li>}
              {!isFree(lesson, index) &&
                from.map((way) => (
                  <li
                    key={way.key}
                    className={joinClasses('flex items-center gap-1.5', lit?.wayKeys.has(way.key) && 'text-main')}
                  >
                    <ArrowRight aria-hidden className="size-3.5 shrink-0 text-quiet" strokeWidth={1.75} />
                    {waySentence(lesson, way)}
                    {taken && <span className="text-quiet">{t('path.took', { count: taken.get(way.key) ?? 0 })}</span>}
                  </li>
                ))}
            </ul>
          </li>
        );
      })}
    </ol>
  );
}

const isFree = ({ freeFrom }: Lesson, index: number): boolean => freeFrom !== undefined && index >= freeFrom;

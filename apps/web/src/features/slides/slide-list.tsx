import type { MadeSlide } from '@semita/core/deck';
import { ArrowDown, ArrowUp, Copy, Plus, Trash2 } from 'lucide-react';
import { v7 } from 'uuid';
import { Button } from '../../ui/button.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import { emptySlide } from './new-slide.ts';
import './words.ts';

/** As many as the server takes. */
const maxSlides = 100;

interface Props {
  readonly slides: readonly MadeSlide[];
  readonly chosenId: string;
  readonly onChoose: (slideId: string) => void;
  readonly onChange: (slides: readonly MadeSlide[]) => void;
}

/** The slides in order. What can be done with one stands under it once it is chosen. */
export function SlideList({ slides, chosenId, onChoose, onChange }: Props) {
  const insert = (slide: MadeSlide, index: number) => {
    onChange(slides.toSpliced(index, 0, slide));
    onChoose(slide.id);
  };
  const move = (index: number, step: 1 | -1) =>
    onChange(slides.toSpliced(index, 1).toSpliced(index + step, 0, slides[index] as MadeSlide));
  const remove = (index: number) => {
    const next = slides.toSpliced(index, 1);
    onChange(next);
    onChoose((next[Math.min(index, next.length - 1)] as MadeSlide).id);
  };
  const deeds = (slide: MadeSlide, index: number) =>
    [
      { name: 'slides.up', Icon: ArrowUp, isOff: index === 0, run: () => move(index, -1) },
      { name: 'slides.down', Icon: ArrowDown, isOff: index === slides.length - 1, run: () => move(index, 1) },
      {
        name: 'slides.copy',
        Icon: Copy,
        isOff: slides.length >= maxSlides,
        run: () => insert({ ...slide, id: v7() }, index + 1),
      },
      { name: 'slides.remove', Icon: Trash2, isOff: slides.length === 1, run: () => remove(index) },
    ] as const;
  return (
    <nav aria-label={t('slides.list')} className="grid min-h-0 content-start gap-1.5 overflow-y-auto p-3">
      <ol className="grid gap-1.5">
        {slides.map((slide, index) => {
          const isChosen = slide.id === chosenId;
          const number = index + 1;
          return (
            <li
              key={slide.id}
              className={joinClasses('rounded-control border bg-card', isChosen ? 'border-main' : 'border-line')}
            >
              <button
                type="button"
                aria-current={isChosen ? 'true' : undefined}
                onClick={() => onChoose(slide.id)}
                className="flex w-full gap-2 px-3 py-2 text-left text-14 hover:bg-main-tint"
              >
                <span className="font-mono text-quiet">{number}</span>
                <span className={joinClasses('truncate', slide.heading === '' && 'text-quiet italic')}>
                  {slide.heading || t('slides.noHeading')}
                </span>
              </button>
              {isChosen && (
                <div className="flex border-t border-line">
                  {deeds(slide, index).map(({ name, Icon, isOff, run }) => (
                    <Button
                      key={name}
                      size="small"
                      look="quiet"
                      disabled={isOff}
                      onClick={run}
                      aria-label={t(name, { number })}
                    >
                      <Icon aria-hidden className="size-4" strokeWidth={1.75} />
                    </Button>
                  ))}
                </div>
              )}
            </li>
          );
        })}
      </ol>
      <div>
        <Button size="small" disabled={slides.length >= maxSlides} onClick={() => insert(emptySlide(), slides.length)}>
          <Plus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('slides.add')}
        </Button>
      </div>
    </nav>
  );
}

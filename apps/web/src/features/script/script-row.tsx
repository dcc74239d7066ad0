import { type BreakPoint, clearTopicShift } from '@semita/core/breaks';
import { cueWords } from '@semita/core/captions';
import type { Fault } from '@semita/core/checks';
import type { Slide } from '@semita/core/deck';
import type { PartKind } from '@semita/core/lesson';
import type { ScriptLine } from '@semita/core/script';
import { Lightbulb } from 'lucide-react';
import { lazy, memo, Suspense } from 'react';
import { Button } from '../../ui/button.tsx';
import { useFocusTarget } from '../../ui/focus-target.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatClock } from '../../words/format.ts';
import { formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { type LineSurvey, SurveyedLine } from '../film-survey/line-survey.tsx';
import { InsetLine } from './inset-menu.tsx';
import type { ScriptActions } from './script-actions.ts';
import type { RowContent } from './script-rows.ts';
import { StopCard } from './stop-card.tsx';
import './words.ts';

const SlideThumb = lazy(async () => ({ default: (await import('../deck/slide-thumb.tsx')).SlideThumb }));

interface Props {
  /** Gap 0 stands before the first line and has none itself. */
  readonly gap: number;
  readonly row: RowContent;
  readonly kind: PartKind;
  readonly line: ScriptLine | undefined;
  readonly survey: LineSurvey | undefined;
  /** Of slides, how this one looks. */
  readonly slide: Slide | undefined;
  readonly isCurrent: boolean;
  /** The one line that the Tab key leads to. */
  readonly isReachable: boolean;
  readonly isDropTarget: boolean;
  readonly openStopId: string | null;
  readonly faults: readonly Fault[];
  readonly actions: ScriptActions;
}

/** A line of the script and what stands in the gap under it. A stop that is dropped here stands in that gap. */
export const ScriptRow = memo(function ScriptRow(props: Props) {
  const { gap, row, kind, line, survey, slide, isCurrent, isReachable, isDropTarget, openStopId, faults, actions } =
    props;
  const index = gap - 1;
  const header = useFocusTarget<HTMLButtonElement>(`line:${index}`);
  return (
    <div
      data-gap={gap}
      className={joinClasses('min-h-1 border-b-2', isDropTarget ? 'border-main' : 'border-transparent')}
    >
      {line && (
        <button
          ref={header}
          type="button"
          data-item={`line:${index}`}
          tabIndex={isReachable ? 0 : -1}
          aria-current={isCurrent ? 'true' : undefined}
          onClick={() => actions.setCursor(index)}
          onFocus={() => actions.setCursor(index)}
          className={joinClasses(
            'grid w-full scroll-mt-28 grid-cols-[4rem_1fr] rounded-control py-1 pr-2 text-left',
            isCurrent ? 'bg-main-tint' : 'hover:bg-main-tint/60',
          )}
        >
          <span className="pt-0.5 pl-2 font-mono text-13 text-quiet">
            {kind === 'clip' ? formatClock(line.startMs) : gap}
          </span>
          {survey ? (
            <SurveyedLine survey={survey} />
          ) : (
            <span className={slide && 'flex items-start gap-3'}>
              {slide && (
                <Suspense>
                  <SlideThumb slide={slide} />
                </Suspense>
              )}
              <LineWords line={line} isOutside={row.isOutside} />
            </span>
          )}
        </button>
      )}
      {row.stops.map(({ stop, isOutside }) => (
        <StopCard
          key={stop.id}
          stop={stop}
          place={formatPosition(kind, stop)}
          isOpen={stop.id === openStopId}
          isFaulty={faults.some((fault) => fault.stopId === stop.id)}
          isOutside={isOutside}
          tabIndex={0}
          onToggle={() => actions.setOpenStop(stop.id === openStopId ? null : stop.id)}
          onFocus={() => actions.setCursor(index)}
          onChange={actions.change}
          onPhrase={
            kind === 'reading' && stop.anchor?.blockId ? (phrase) => actions.setPhrase(stop, phrase) : undefined
          }
          onRemove={() => actions.remove(stop)}
        />
      ))}
      {row.breaks.map((place) => (
        <Suggestion
          key={place.gap}
          place={place}
          onTake={() => actions.takeBreaks([place])}
          onDrop={() => actions.dropBreak(place)}
        />
      ))}
      {row.insets.map((inset) => (
        <InsetLine key={inset.id} inset={inset} onRemove={() => actions.removeInset(inset)} />
      ))}
      {row.edges.map((words) => (
        <Edge key={words} words={words} />
      ))}
    </div>
  );
});

interface SuggestionProps {
  readonly place: BreakPoint;
  readonly onTake: () => void;
  readonly onDrop: () => void;
}

/** A place to stop that was found, and why it is one. */
function Suggestion({ place, onTake, onDrop }: SuggestionProps) {
  const reasons = [
    place.sentenceEnds && t('breaks.sentence'),
    place.silenceMs >= 300 && t('breaks.silence', { seconds: (place.silenceMs / 1000).toFixed(1) }),
    place.topicShift >= clearTopicShift && t('breaks.topic'),
  ].filter((reason) => reason !== false);
  return (
    <div className="my-1 flex flex-wrap items-center gap-2 rounded-control border border-dashed border-edge px-3 py-1.5 text-14">
      <Lightbulb aria-hidden className="size-4 text-marigold-ink" strokeWidth={1.75} />
      <span className="grow">{t('breaks.suggestion', { why: reasons.join(', ') || t('breaks.even') })}</span>
      <Button size="small" onClick={onTake}>
        {t('breaks.take')}
      </Button>
      <Button size="small" look="quiet" onClick={onDrop}>
        {t('breaks.drop')}
      </Button>
    </div>
  );
}

/** A line across the script between what belongs to a part and what does not. */
function Edge({ words }: { readonly words: string }) {
  return (
    <p className="my-2 flex items-center gap-3 text-13 font-medium text-main before:h-0.5 before:grow before:bg-main after:h-0.5 after:grow after:bg-main">
      {words}
    </p>
  );
}

function LineWords({ line, isOutside }: { readonly line: ScriptLine; readonly isOutside: boolean }) {
  const isPicture = line.tone === 'picture';
  const words = line.text === null ? '·' : line.tone ? line.text : cueWords(line.text);
  // Of a slide, its title and then all else.
  const [first = '', ...rest] = words.split('\n');
  return (
    <span
      className={joinClasses(
        isOutside && 'text-quiet line-through decoration-line',
        line.tone === 'heading' && 'font-heading font-semibold',
        isPicture && 'text-quiet italic',
      )}
    >
      {rest.length > 0 && <strong className="font-semibold">{first} </strong>}
      {isPicture && words === '' ? t('desk.pictureMute') : rest.length > 0 ? rest.join(' · ') : words}
    </span>
  );
}

import { questionsOfPart } from '@semita/core/checks';
import type { AttemptDetail } from '@semita/core/contract';
import type { Lesson } from '@semita/core/lesson';
import { t } from '../../words/words.ts';
import { conditionWords } from '../path/way-words.ts';
import './words.ts';

type State = NonNullable<AttemptDetail['state']>;
type Leg = NonNullable<State['route']>['legs'][number];

interface Props {
  readonly lesson: Lesson;
  readonly state: State;
}

/** Part by part the way a student took through a lesson that has more than one, and what led there. */
export function RouteTaken({ lesson, state: { route } }: Props) {
  if (!route || route.legs.length < 2) return null;
  return (
    <section aria-labelledby="route-taken" className="grid gap-3">
      <h3 id="route-taken" className="text-16">
        {t('student.route')}
      </h3>
      <ol className="grid gap-1 text-14">
        {route.legs.map((leg, index) => {
          const part = lesson.parts.find(({ id }) => id === leg.partId);
          const because = viaWords(lesson, leg.via);
          const isLast = index === route.legs.length - 1;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: the same part can come twice, and the way only grows
            <li key={`${index} ${leg.partId}`} className="grid grid-cols-[1.5rem_minmax(0,1fr)] gap-2">
              <span className="font-mono text-13 text-quiet">{index + 1}</span>
              <span>
                {part?.title}
                {because && <span className="text-quiet"> · {because}</span>}
                {isLast && !route.isAtEnd && <span className="text-quiet"> · {t('student.isHere')}</span>}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** What led into a stretch; nothing where it simply came next. */
function viaWords(lesson: Lesson, via: Leg['via']): string | null {
  const stops = lesson.parts.flatMap((part) => part.stops);
  switch (via.kind) {
    case 'choice': {
      const stop = stops.find(({ id }) => id === via.stopId);
      const choice = stop?.kind === 'fork' ? stop.choices.find(({ id }) => id === via.choiceId) : undefined;
      return choice ? t('student.via.choice', { words: choice.words || '…' }) : null;
    }
    case 'tile': {
      const stop = stops.find(({ id }) => id === via.stopId);
      const tile = stop?.kind === 'board' ? stop.tiles.find(({ id }) => id === via.tileId) : undefined;
      return tile ? t('student.via.tile', { words: tile.title || '…' }) : null;
    }
    case 'rule': {
      const stop = stops.find(({ id }) => id === via.of);
      const part = lesson.parts.find(({ id }) => id === via.of);
      const rules = (stop?.kind === 'checkpoint' ? stop.rules : part?.rules) ?? [];
      const rule = rules.find(({ id }) => id === via.ruleId);
      const questions = stop?.kind === 'checkpoint' ? stop.questions : part ? questionsOfPart(part) : [];
      return rule ? t('student.via.rule', { words: conditionWords(rule.when, questions) }) : null;
    }
    default:
      return null;
  }
}

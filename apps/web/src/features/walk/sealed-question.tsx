import type { LearnerQuestionOf } from '@semita/core/learner';
import { CloudOff, Timer } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { formatClock } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly question: LearnerQuestionOf<'sealed'>;
  readonly place: string;
  /** How long it will stand open, in ms; null where it is not timed. */
  readonly limitMs: number | null;
  /** It was asked for, and its words are on their way. */
  readonly isBegun: boolean;
  readonly onBegin: () => void;
}

/** A question whose words are still with the school: until its time begins, or the connection is back. */
export function SealedQuestion({ question, place, limitMs, isBegun, onBegin }: Props) {
  const isTimed = limitMs !== null && !isBegun;
  const Icon = isTimed ? Timer : CloudOff;
  return (
    <section aria-label={place} className="grid gap-3" data-question={question.id}>
      <p className="text-13 text-quiet">{place}</p>
      <div className="grid gap-3 rounded-control border border-line bg-paper p-4">
        <p className="flex items-start gap-2">
          <Icon aria-hidden className="mt-0.5 size-5 shrink-0 text-marigold-ink" strokeWidth={1.75} />
          <span role={isTimed ? undefined : 'status'}>
            {isTimed ? t('walk.timedHelp', { time: formatClock(limitMs) }) : t('walk.questionWithSchool')}
          </span>
        </p>
        {isTimed && (
          <div>
            <Button look="main" size="roomy" onClick={onBegin}>
              {t('walk.beginTimed')}
            </Button>
          </div>
        )}
      </div>
    </section>
  );
}

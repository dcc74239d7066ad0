import type { AttemptState, StopState, Terms } from '@semita/core/attempt';
import type { LearnerStop, QuestionResult } from '@semita/core/learner';
import type { Response } from '@semita/core/question';
import { mayPass } from '@semita/core/walk';
import { DoorClosed, Pause, Split, Undo2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { RecordingPlayer } from '../voice/recording-player.tsx';
import { useDraftSaver } from './draft-saver.ts';
import { ForkChoices } from './fork-choices.tsx';
import { QuestionForm } from './question-form.tsx';
import './words.ts';

interface Props {
  readonly stop: Exclude<LearnerStop, { kind: 'board' }>;
  readonly place: string;
  readonly stopState: StopState;
  readonly attempt: AttemptState;
  readonly terms: Terms;
  readonly results: Readonly<Record<string, QuestionResult>>;
  readonly tellsPoints: boolean;
  readonly hints: Readonly<Record<string, string>>;
  /** The server's clock. */
  readonly now: () => number;
  readonly onDraft: (questionId: string, response: Response) => void;
  readonly onAnswer: (responses: Record<string, Response>) => void;
  readonly onHint: (questionId: string) => void;
  /** The student asks for a timed question: its time begins. */
  readonly onBegin: (questionId: string) => void;
  /** The time of a question is over, with this written. */
  readonly onTimeUp: (questionId: string, response: Response | null) => void;
  readonly onKeep: () => void;
  readonly onAcknowledge: () => void;
  readonly onChoose: (choiceId: string) => void;
  readonly onPass: () => void;
  readonly onLookBack?: (() => void) | undefined;
}

const looks = {
  checkpoint: { Icon: DoorClosed, edge: 'border-l-main', ink: 'text-main' },
  pause: { Icon: Pause, edge: 'border-l-slate', ink: 'text-slate' },
  fork: { Icon: Split, edge: 'border-l-marigold', ink: 'text-marigold-ink' },
} as const;

/** The stop that is open, beside the material and never over it. One for each stop: give it the stop's id as its key. */
export function StopPanel({
  stop,
  place,
  stopState,
  attempt,
  terms,
  results,
  tellsPoints,
  hints,
  now,
  onDraft,
  onAnswer,
  onHint,
  onBegin,
  onTimeUp,
  onKeep,
  onAcknowledge,
  onChoose,
  onPass,
  onLookBack,
}: Props) {
  const heading = useRef<HTMLHeadingElement>(null);
  const saver = useDraftSaver(onDraft);
  // The film has just halted: whoever cannot see that is led here, and hears what it is about.
  useEffect(() => heading.current?.focus(), []);
  const look = looks[stop.kind];
  const [isHeard, setIsHeard] = useState(false);
  const mayGoOn = stop.kind !== 'pause' || !stop.voice || isHeard;
  const triesSoFar = Object.values(stopState.answers).reduce((sum, { earlier = [] }) => sum + 1 + earlier.length, 0);
  const { Icon } = look;
  return (
    <section
      aria-labelledby="open-stop"
      className={`grid content-start gap-5 rounded-card border border-line border-l-4 bg-card p-5 ${look.edge}`}
    >
      <h2 id="open-stop" ref={heading} tabIndex={-1} className="flex items-center gap-2 text-18 outline-none">
        <Icon aria-hidden className={`size-5 ${look.ink}`} strokeWidth={1.75} />
        {place}
      </h2>
      {stop.kind === 'fork' && <ForkChoices fork={stop} onChoose={onChoose} />}
      {stop.kind === 'pause' && (
        <>
          {stop.note !== '' && <p className="text-18 whitespace-pre-wrap">{stop.note}</p>}
          {stop.voice && (
            <RecordingPlayer
              recording={stop.voice}
              label={t('walk.voice')}
              playsAtOnce
              onHeard={() => setIsHeard(true)}
            />
          )}
          {!mayGoOn && <p className="text-14 text-quiet">{t('walk.hearFirst')}</p>}
          <Button look="main" size="roomy" disabled={!mayGoOn} onClick={onAcknowledge}>
            {t('walk.goOn')}
          </Button>
        </>
      )}
      {stop.kind === 'checkpoint' && (
        <QuestionForm
          // A new try is a new form.
          key={triesSoFar}
          {...{
            stop,
            stopState,
            attempt,
            results,
            tellsPoints,
            hints,
            now,
            saver,
            onAnswer,
            onHint,
            onBegin,
            onTimeUp,
            onKeep,
          }}
        />
      )}
      {(onLookBack || (stop.kind === 'checkpoint' && mayPass(stop, terms))) && (
        <div className="flex flex-wrap gap-2">
          {onLookBack && (
            <Button look="quiet" className="-ml-2" onClick={onLookBack}>
              <Undo2 aria-hidden className="size-4" strokeWidth={1.75} />
              {t('walk.lookBack')}
            </Button>
          )}
          {stop.kind === 'checkpoint' && mayPass(stop, terms) && (
            <Button
              look="quiet"
              onClick={() => {
                // What is written so far is there when the stop is opened again.
                saver.flush();
                onPass();
              }}
            >
              {t('walk.pass')}
            </Button>
          )}
        </div>
      )}
    </section>
  );
}

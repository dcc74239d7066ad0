import type { LearnerQuestion } from '@semita/core/learner';
import type { Response } from '@semita/core/question';
import { Lightbulb } from 'lucide-react';
import { type ReactNode, useId } from 'react';
import { Button } from '../../ui/button.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { RecordingPlayer } from '../voice/recording-player.tsx';
import { QuestionField } from './question-field.tsx';
import { QuestionPicture } from './question-picture.tsx';
import { ReadAloud } from './read-aloud.tsx';
import { RichText } from './rich-text.tsx';
import { ConfidenceField } from './sure-field.tsx';
import { wordsToRead } from './words-to-read.ts';
import './words.ts';

interface Props {
  readonly question: LearnerQuestion;
  /** Where it stands among the questions of its stop, and its kind. */
  readonly place: string;
  readonly response: Response | undefined;
  /** The hint, once it was asked for. */
  readonly hint: string | undefined;
  /** How long it still stands open, where it is timed. */
  readonly timeLeft?: ReactNode;
  /** What became of the try before. */
  readonly lastTry?: ReactNode;
  /** Whatever is given, blank too. */
  readonly onChange: (response: Response) => void;
  readonly onHint: () => void;
}

/** One question: what is asked, what helps, and where it is answered. */
export function QuestionBlock({ question, place, response, hint, timeLeft, lastTry, onChange, onHint }: Props) {
  const id = useId();
  const { points, hintCost } = question;
  const answer = (next: Response) =>
    onChange(response?.confidence === undefined ? next : { ...next, confidence: response.confidence });
  return (
    <section
      aria-labelledby={`${id}-place ${id}`}
      className="grid grid-cols-[minmax(0,1fr)] gap-3"
      data-question={question.id}
    >
      <div className="grid gap-1">
        <div className="flex items-center justify-between gap-2">
          <p id={`${id}-place`} className="text-13 text-quiet">
            {place}
            {points > 0 && `, ${t('stop.pointsOnly', { count: points / 100, points: formatPoints(points) })}`}
            {question.mayBeBlank && `, ${t('question.mayBeBlank')}`}
          </p>
          <ReadAloud words={wordsToRead(question)} of={place} />
        </div>
        {timeLeft}
        <div id={id} className="text-18 font-medium">
          <RichText text={question.stem} />
        </div>
      </div>
      {question.directions && (
        <RecordingPlayer recording={question.directions} label={t('walk.directionsFor', { place })} />
      )}
      {question.sound && <RecordingPlayer recording={question.sound} label={t('question.sound', { place })} />}
      {question.picture && !drawsOnPicture(question) && <QuestionPicture picture={question.picture} />}
      {lastTry}
      <QuestionField question={question} response={response} onChange={answer} labelledBy={id} />
      {question.asksConfidence && (
        <ConfidenceField
          confidence={response?.confidence}
          onChange={(confidence) => response && onChange({ ...response, confidence })}
          disabled={!response}
        />
      )}
      {hint !== undefined ? (
        <div role="status" className="rounded-control border-l-4 border-marigold bg-marigold-tint px-3 py-2">
          <p className="text-14 text-marigold-ink">{t('question.hint')}</p>
          <RichText text={hint} />
        </div>
      ) : (
        hintCost !== undefined && (
          <div>
            <Button look="quiet" className="-ml-2" onClick={onHint}>
              <Lightbulb aria-hidden className="size-4 text-marigold-ink" strokeWidth={1.75} />
              {hintCost > 0
                ? t('question.hintFor', { count: hintCost / 100, points: formatPoints(hintCost) })
                : t('question.hintFree')}
            </Button>
          </div>
        )
      )}
    </section>
  );
}

/** Kinds whose field shows the picture itself. */
export function drawsOnPicture({ kind }: LearnerQuestion): boolean {
  return ['hotspot', 'selectPoint', 'graphicGapMatch', 'drawing'].includes(kind);
}

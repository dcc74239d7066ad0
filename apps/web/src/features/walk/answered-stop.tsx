import { type LearnerQuestion, type LearnerStop, type QuestionResult, type StopState, stopMarkOf } from '@semita/core';
import { Check, Plus, X } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { StateMark, stateWords } from '../../ui/state-mark.tsx';
import { t } from '../../words/words.ts';
import { RecordingPlayer } from '../voice/recording-player.tsx';
import { QuestionPicture } from './question-picture.tsx';

interface Props {
  readonly stop: LearnerStop;
  readonly place: string;
  readonly stopState: StopState;
  readonly results: Readonly<Record<string, QuestionResult>>;
  /** Where a stop that was passed over can be opened again. */
  readonly onReopen?: (() => void) | undefined;
}

/** A stop the learner has been at: what was asked, what was given, what came of it. */
export function AnsweredStop({ stop, place, stopState, results, onReopen }: Props) {
  const mark = stopMarkOf(stop, stopState);
  return (
    <li className="grid gap-3 rounded-card border border-line bg-card p-4">
      <p className="flex items-center gap-2 text-14 text-quiet">
        <StateMark mark={mark} />
        <span>
          {place}: {stateWords(mark)}
        </span>
      </p>
      {stop.kind === 'pause' ? (
        <>
          {stop.note !== '' && <p className="whitespace-pre-wrap">{stop.note}</p>}
          {stop.voice && <RecordingPlayer recording={stop.voice} label={t('walk.voice')} />}
        </>
      ) : (
        stop.questions.map((question) => (
          <AnsweredQuestion key={question.id} question={question} stopState={stopState} result={results[question.id]} />
        ))
      )}
      {onReopen && (
        <div>
          <Button onClick={onReopen}>{t('walk.open')}</Button>
        </div>
      )}
    </li>
  );
}

interface QuestionProps {
  readonly question: LearnerQuestion;
  readonly stopState: StopState;
  readonly result: QuestionResult | undefined;
}

function AnsweredQuestion({ question, stopState, result }: QuestionProps) {
  const response = stopState.answers[question.id]?.response;
  return (
    <div className="grid gap-2">
      <p className="font-medium whitespace-pre-wrap">{question.stem}</p>
      {question.picture && <QuestionPicture picture={question.picture} />}
      {question.kind === 'choice' && response?.kind === 'choice' && (
        <OptionList question={question} picked={response.optionIds} result={result} />
      )}
      {response?.kind === 'extendedText' && (
        <p className="rounded-control bg-paper px-3 py-2 whitespace-pre-wrap">{response.text}</p>
      )}
      {response && !result && <p className="text-14 text-quiet">{t('walk.waitsForServer')}</p>}
      {result && result.points === null && <p className="text-14 text-quiet">{t('walk.waitsForTeacher')}</p>}
      {result?.comment && (
        <p className="rounded-control border-l-4 border-main bg-main-tint px-3 py-2 text-14">
          <span className="block text-quiet">{t('walk.teacherSays')}</span>
          <span className="whitespace-pre-wrap">{result.comment}</span>
        </p>
      )}
    </div>
  );
}

type Choice = Extract<LearnerQuestion, { kind: 'choice' }>;

function OptionList({
  question,
  picked,
  result,
}: {
  question: Choice;
  picked: readonly string[];
  result: QuestionResult | undefined;
}) {
  const shown = question.options.filter(
    (option) => picked.includes(option.id) || result?.rightOptionIds.includes(option.id),
  );
  return (
    <ul className="grid gap-1.5">
      {shown.map((option) => {
        const feedback = result?.feedback.find((one) => one.optionId === option.id)?.text;
        const standing = result && standingOf(picked.includes(option.id), result.rightOptionIds.includes(option.id));
        return (
          <li key={option.id} className="flex gap-2">
            {standing && (
              <standing.Icon aria-hidden className={`mt-1 size-4 shrink-0 ${standing.colour}`} strokeWidth={2.25} />
            )}
            <div>
              <span>{option.text}</span>
              {standing && <span className={`text-14 ${standing.colour}`}> ({standing.word})</span>}
              {feedback && <p className="text-14 text-quiet">{feedback}</p>}
            </div>
          </li>
        );
      })}
    </ul>
  );
}

function standingOf(isPicked: boolean, isRight: boolean) {
  if (isPicked && isRight) return { Icon: Check, word: t('walk.right'), colour: 'text-spruce' };
  if (isPicked) return { Icon: X, word: t('walk.notRight'), colour: 'text-brick' };
  return { Icon: Plus, word: t('walk.missed'), colour: 'text-slate' };
}

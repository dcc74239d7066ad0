import { type LearnerQuestion, type LearnerStop, type QuestionResult, type StopState, stopMarkOf } from '@semita/core';
import { Button } from '../../ui/button.tsx';
import { StateMark, stateWords } from '../../ui/state-mark.tsx';
import { t } from '../../words/words.ts';
import { GivenResponse } from '../question/given-response.tsx';
import { drawsOnPicture } from '../question/question-block.tsx';
import { QuestionPicture } from '../question/question-picture.tsx';
import { RichText } from '../question/rich-text.tsx';
import { RecordingPlayer } from '../voice/recording-player.tsx';

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
  const answer = stopState.answers[question.id];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <RichText text={question.stem} className="font-medium" />
      {question.picture && !drawsOnPicture(question) && <QuestionPicture picture={question.picture} />}
      {answer ? (
        <GivenResponse
          question={question}
          response={answer.response}
          right={result?.right ?? null}
          verdicts={result?.verdicts ?? {}}
          rightAreas={result?.rightAreas ?? []}
          feedback={result?.feedback ?? []}
        />
      ) : (
        stopState.phase === 'answered' && <p className="text-14 text-quiet">{t('walk.leftBlank')}</p>
      )}
      {result?.said && (
        <RichText
          text={result.said}
          className="rounded-control border-l-4 border-slate bg-slate-tint px-3 py-2 text-14"
        />
      )}
      {answer && !result && <p className="text-14 text-quiet">{t('walk.waitsForServer')}</p>}
      {result && result.points === null && <p className="text-14 text-quiet">{t('walk.waitsForTeacher')}</p>}
      {result?.comment && (
        <div className="rounded-control border-l-4 border-main bg-main-tint px-3 py-2 text-14">
          <span className="block text-quiet">{t('walk.teacherSays')}</span>
          <span className="whitespace-pre-wrap">{result.comment}</span>
        </div>
      )}
      {result?.modelAnswer && (
        <details className="text-14">
          <summary className="cursor-pointer text-quiet">{t('walk.modelAnswer')}</summary>
          <RichText text={result.modelAnswer} />
        </details>
      )}
    </div>
  );
}

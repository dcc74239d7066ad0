import type { AttemptState, StopState } from '@semita/core/attempt';
import type { LearnerQuestion, LearnerStop, QuestionResult } from '@semita/core/learner';
import { isBlank, isTeacherMarked, type Response } from '@semita/core/question';
import { questionEndsAt, questionLimitMs } from '@semita/core/walk';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { kindWords } from '../question/kind-words.ts';
import { QuestionBlock } from '../question/question-block.tsx';
import type { DraftSaver } from './draft-saver.ts';
import { SealedQuestion } from './sealed-question.tsx';
import { TimeLeft } from './time-left.tsx';
import './words.ts';

/** Loaded where an answer can be tried again. */
const loadTries = () => import('./earlier-try.tsx');
const SettledQuestion = lazy(async () => ({ default: (await loadTries()).SettledQuestion }));
const LastTry = lazy(async () => ({ default: (await loadTries()).LastTry }));

type Checkpoint = Extract<LearnerStop, { kind: 'checkpoint' }>;

interface Props {
  readonly stop: Checkpoint;
  readonly stopState: StopState;
  readonly results: Readonly<Record<string, QuestionResult>>;
  /** Points are told at once; else nobody waits for them here. */
  readonly tellsPoints: boolean;
  readonly hints: Readonly<Record<string, string>>;
  readonly attempt: AttemptState;
  readonly now: () => number;
  readonly saver: DraftSaver;
  readonly onAnswer: (responses: Record<string, Response>) => void;
  readonly onHint: (questionId: string) => void;
  readonly onBegin: (questionId: string) => void;
  readonly onTimeUp: (questionId: string, response: Response | null) => void;
  /** Leaves answers that could be tried again as they are. */
  readonly onKeep: () => void;
}

/** The questions of a stop, answered together. What is picked or written is saved at once as a draft. */
export function QuestionForm(props: Props) {
  const { stop, stopState, attempt, results, hints, now, saver, onAnswer, onHint, onBegin, onTimeUp, onKeep } = props;
  const [responses, setResponses] = useState<Record<string, Response>>({ ...stopState.drafts });
  const [blanks, setBlanks] = useState<readonly number[]>([]);
  const { answers } = stopState;
  const ended = stopState.ended ?? [];
  const isLeft = (id: string) => !ended.includes(id) && answers[id] === undefined;
  // What ended by itself was no try: its neighbours are still to be answered for the first time.
  const isRetry = Object.keys(answers).some((id) => !ended.includes(id));
  const isWaiting =
    props.tellsPoints &&
    stop.questions.some(({ id, kind }) => answers[id]?.points === null && kind !== 'sealed' && !isTeacherMarked(kind));
  const asked = stop.questions.filter(({ id }) => isLeft(id) || (isRetry && results[id]?.mayTryAgain));
  const count = stop.questions.length;

  const set = (question: LearnerQuestion, response: Response) => {
    setResponses((before) => ({ ...before, [question.id]: response }));
    setBlanks([]);
    saver.save(question.id, response);
  };
  const give = () => {
    saver.drop();
    onAnswer(Object.fromEntries(Object.entries(responses).filter(([id]) => asked.some((one) => one.id === id))));
  };
  const endsAtOf = (question: LearnerQuestion) => questionEndsAt(stop, question, stopState, attempt);
  const submit = () => {
    const missing = stop.questions.flatMap((question, index) => {
      if (!asked.includes(question) || question.mayBeBlank) return [];
      const response = responses[question.id];
      return !response || isBlank(response) ? [index + 1] : [];
    });
    setBlanks(missing);
    if (missing.length === 0) give();
  };
  return (
    <form
      className="grid grid-cols-[minmax(0,1fr)] gap-6"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      {isRetry && (
        <Notice tone="attention" role="status">
          {t(isWaiting ? 'walk.checking' : 'walk.tryAgainHelp')}
        </Notice>
      )}
      {stop.questions.map((question, index) => {
        const place =
          count === 1
            ? kindWords(question)
            : t('walk.questionOf', { number: index + 1, count, kind: kindWords(question) });
        const answer = answers[question.id];
        if (question.kind === 'sealed')
          return (
            <SealedQuestion
              key={question.id}
              {...{ question, place }}
              limitMs={questionLimitMs(question, attempt)}
              isBegun={stopState.began?.[question.id] !== undefined}
              onBegin={() => onBegin(question.id)}
            />
          );
        if (!answer && ended.includes(question.id))
          return (
            <p key={question.id} className="text-14 text-quiet">
              {place}: {t('walk.timeOver')}
            </p>
          );
        if (answer && !asked.includes(question))
          return (
            <Suspense key={question.id}>
              <SettledQuestion {...{ question, place, answer }} />
            </Suspense>
          );
        return (
          <QuestionBlock
            key={question.id}
            question={question}
            place={place}
            timeLeft={
              question.timeLimitMs !== undefined && (
                <TimeLeft
                  endsAt={endsAtOf(question) ?? 0}
                  now={now}
                  onOver={() => {
                    saver.flush();
                    onTimeUp(question.id, responses[question.id] ?? null);
                  }}
                />
              )
            }
            hint={hints[question.id]}
            response={responses[question.id]}
            lastTry={
              answer && (
                <Suspense>
                  <LastTry question={question} answer={answer} result={results[question.id]} />
                </Suspense>
              )
            }
            onChange={(response) => set(question, response)}
            onHint={() => onHint(question.id)}
          />
        );
      })}
      {blanks.length > 0 && (
        <p role="alert" className="text-brick">
          {t('walk.stillBlank', { numbers: blanks.join(', ') })}
        </p>
      )}
      <div className="grid gap-2">
        <Button look="main" size="roomy" type="submit" disabled={isWaiting}>
          {isRetry ? t('walk.answerAgain') : count === 1 ? t('walk.answer') : t('walk.answerAll', { count })}
        </Button>
        {isRetry && (
          <Button size="roomy" onClick={onKeep}>
            {t('walk.keepAnswer')}
          </Button>
        )}
      </div>
    </form>
  );
}

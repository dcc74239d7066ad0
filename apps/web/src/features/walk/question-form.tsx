import {
  isBlank,
  isTeacherMarked,
  type LearnerQuestion,
  type LearnerStop,
  type QuestionResult,
  type Response,
  type StopState,
  tryNumberOf,
} from '@semita/core';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { GivenResponse } from '../question/given-response.tsx';
import { kindWords } from '../question/kind-words.ts';
import { QuestionBlock } from '../question/question-block.tsx';
import { RichText } from '../question/rich-text.tsx';
import type { DraftSaver } from './draft-saver.ts';
import { TimeLeft } from './time-left.tsx';

type Checkpoint = Extract<LearnerStop, { kind: 'checkpoint' }>;

interface Props {
  readonly stop: Checkpoint;
  readonly stopState: StopState;
  readonly results: Readonly<Record<string, QuestionResult>>;
  readonly hints: Readonly<Record<string, string>>;
  /** When the questions close, epoch ms on the server's clock; null where nothing is timed. */
  readonly closesAt: number | null;
  readonly now: () => number;
  readonly saver: DraftSaver;
  readonly onAnswer: (responses: Record<string, Response>) => void;
  readonly onHint: (questionId: string) => void;
  /** Leaves answers that could be tried again as they are. */
  readonly onKeep: () => void;
}

/** The questions of a stop, answered together. What is picked or written is saved at once as a draft. */
export function QuestionForm(props: Props) {
  const { stop, stopState, results, hints, closesAt, now, saver, onAnswer, onHint, onKeep } = props;
  const [responses, setResponses] = useState<Record<string, Response>>({ ...stopState.drafts });
  const [blanks, setBlanks] = useState<readonly number[]>([]);
  const { answers } = stopState;
  const isRetry = Object.keys(answers).length > 0;
  const isWaiting = stop.questions.some(({ id, kind }) => answers[id]?.points === null && !isTeacherMarked(kind));
  const asked = stop.questions.filter(({ id }) => !isRetry || results[id]?.mayTryAgain);
  const count = stop.questions.length;

  const set = (question: LearnerQuestion, response: Response) => {
    setResponses((before) => ({ ...before, [question.id]: response }));
    setBlanks([]);
    saver.save(question.id, response);
  };
  const give = () => {
    saver.drop();
    onAnswer(responses);
  };
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
      {closesAt !== null && <TimeLeft closesAt={closesAt} now={now} onOver={give} />}
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
        if (answer && !asked.includes(question)) return <Settled key={question.id} {...{ question, place, answer }} />;
        return (
          <QuestionBlock
            key={question.id}
            question={question}
            place={place}
            hint={hints[question.id]}
            response={responses[question.id]}
            lastTry={answer && <LastTry question={question} answer={answer} result={results[question.id]} />}
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

type Answer = StopState['answers'][string];

interface SettledProps {
  readonly question: LearnerQuestion;
  readonly place: string;
  readonly answer: Answer;
}

/** A question beside one that is tried again: nothing more to do here. */
function Settled({ question, place, answer }: SettledProps) {
  return (
    <section className="grid gap-2 opacity-80">
      <p className="text-13 text-quiet">{place}</p>
      <RichText text={question.stem} className="font-medium" />
      <GivenResponse question={question} response={answer.response} right={null} verdicts={{}} />
    </section>
  );
}

interface LastTryProps {
  readonly question: LearnerQuestion;
  readonly answer: Answer;
  readonly result: QuestionResult | undefined;
}

/** What became of a try, and what the next one is worth. */
function LastTry({ question, answer, result }: LastTryProps) {
  const { tries } = question;
  if (!tries || !result) return null;
  return (
    <div role="status" className="grid gap-1 rounded-control border-l-4 border-brick bg-brick-tint px-3 py-2">
      <p className="text-14 text-brick">
        {t(result.points ? 'walk.partlyRight' : 'walk.notRightYet', {
          number: tryNumberOf(answer) + 1,
          count: tries.count,
          percent: tries.laterPercent,
        })}
      </p>
      {result.said && <RichText text={result.said} />}
      {result.feedback.map(({ optionId, text }) => (
        <RichText key={optionId} text={text} className="text-14" />
      ))}
    </div>
  );
}

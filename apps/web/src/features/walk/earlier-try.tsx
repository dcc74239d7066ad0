import { type StopState, tryNumberOf } from '@semita/core/attempt';
import type { LearnerQuestion, QuestionResult } from '@semita/core/learner';
import { t } from '../../words/words.ts';
import { GivenResponse } from '../question/given-response.tsx';
import { RichText } from '../question/rich-text.tsx';
import './words.ts';

type Answer = StopState['answers'][string];

interface SettledProps {
  readonly question: LearnerQuestion;
  readonly place: string;
  readonly answer: Answer;
}

/** A question beside one that is tried again: nothing more to do here. */
export function SettledQuestion({ question, place, answer }: SettledProps) {
  return (
    <section className="grid gap-2 opacity-80">
      <p className="text-13 text-quiet">{place}</p>
      <RichText text={question.stem} className="font-medium" />
      <GivenResponse question={question} response={answer.response} answerKey={null} verdicts={{}} />
    </section>
  );
}

interface LastTryProps {
  readonly question: LearnerQuestion;
  readonly answer: Answer;
  readonly result: QuestionResult | undefined;
}

/** What became of a try, and what the next one is worth. */
export function LastTry({ question, answer, result }: LastTryProps) {
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

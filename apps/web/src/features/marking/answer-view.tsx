import type { Answer, EarlierAnswer } from '@semita/core/attempt';
import { asWritten, isFull, toLearnerQuestion } from '@semita/core/learner';
import { correctResponse, type Verdicts, verdictsOf } from '@semita/core/marking';
import type { Question } from '@semita/core/question';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { GivenResponse } from '../question/given-response.tsx';
import { RichText } from '../question/rich-text.tsx';
import './words.ts';

/** An answer as its teacher sees it: with the key, and with what was given before it. */
export function AnswerView({ question, answer }: { readonly question: Question; readonly answer: Answer }) {
  const shown = toLearnerQuestion(question, asWritten);
  const verdicts: Verdicts = verdictsOf(question, answer.response);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <GivenResponse
        question={shown}
        response={answer.response}
        answerKey={correctResponse(question)}
        verdicts={verdicts}
        isFull={isFull(question, answer)}
        keyAreas={question.kind === 'selectPoint' ? question.areas : []}
        {...(answer.drawn ? { drawn: answer.drawn } : {})}
      />
      {(answer.earlier ?? []).length > 0 && (
        <details className="text-14">
          <summary className="cursor-pointer text-quiet">
            {t('marking.earlier', { count: answer.earlier?.length ?? 0 })}
          </summary>
          <ol className="grid gap-2 pt-2">
            {answer.earlier?.map((one, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: earlier answers only ever grow at the end
              <li key={index} className="grid gap-1 border-l-2 border-line pl-3">
                <EarlierView question={question} earlier={one} />
              </li>
            ))}
          </ol>
        </details>
      )}
    </div>
  );
}

function EarlierView({ question, earlier }: { readonly question: Question; readonly earlier: EarlierAnswer }) {
  return (
    <>
      <GivenResponse
        question={toLearnerQuestion(question, asWritten)}
        response={earlier.response}
        answerKey={null}
        verdicts={verdictsOf(question, earlier.response)}
      />
      <p className="text-quiet">
        {earlier.points !== null &&
          t('stop.points', { earned: formatPoints(earlier.points), possible: formatPoints(question.points) })}
        {earlier.comment && ` · ${earlier.comment}`}
      </p>
    </>
  );
}

/** What is asked, with the model answer to look at. */
export function AskedView({ question }: { readonly question: Question }) {
  return (
    <>
      <RichText text={question.stem} className="font-medium" />
      {question.modelAnswer && (
        <details className="text-14">
          <summary className="cursor-pointer text-quiet">{t('student.modelAnswer')}</summary>
          <RichText text={question.modelAnswer} />
        </details>
      )}
    </>
  );
}

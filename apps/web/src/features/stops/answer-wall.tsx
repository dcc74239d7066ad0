import type { QuestionAnswers } from '@semita/core/contract';
import { asWritten, toLearnerQuestion } from '@semita/core/learner';
import type { Question } from '@semita/core/question';
import { t } from '../../words/words.ts';
import { GivenResponse } from '../question/given-response.tsx';
import './words.ts';

interface Props {
  readonly question: Question;
  readonly answers: QuestionAnswers['answers'];
}

/** Drawings and files of a class beside each other. */
export function AnswerWall({ question, answers }: Props) {
  if (answers.length === 0) return null;
  const shown = toLearnerQuestion(question, asWritten);
  return (
    <section className="grid gap-2">
      <h3 className="text-16">{t('wall.title', { count: answers.length })}</h3>
      <ul className="grid gap-3 sm:grid-cols-2">
        {answers.map(({ studentId, displayName, answer }) => (
          <li key={studentId} className="grid content-start gap-1 rounded-card border border-line p-2">
            <GivenResponse question={shown} response={answer.response} answerKey={null} verdicts={{}} />
            <span className="text-13 text-quiet">{displayName}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

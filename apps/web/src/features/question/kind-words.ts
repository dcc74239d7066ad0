import type { LearnerQuestion } from '@semita/core/learner';
import type { Question } from '@semita/core/question';
import { t } from '../../words/words.ts';

/** The teacher's and the student's word for a kind of question. */
export function kindWords(question: Question | LearnerQuestion): string {
  const isMultiple = 'multiple' in question && question.multiple;
  const kind = question.kind === 'sealed' ? question.of : question.kind;
  if (kind === 'choice') return t(isMultiple ? 'question.choiceSeveral' : 'question.choiceOne');
  return t(`question.kind.${kind}`);
}

import type { LearnerQuestion, Question } from '@semita/core';
import { t } from '../../words/words.ts';

/** The teacher's and the student's word for a kind of question. */
export function kindWords(question: Question | LearnerQuestion): string {
  if (question.kind === 'choice') return t(question.several ? 'question.choiceSeveral' : 'question.choiceOne');
  return t(`question.kind.${question.kind}`);
}

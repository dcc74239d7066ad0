import type { ChoiceQuestion, Hundredths, Question } from '../lesson/lesson.ts';
import type { Response } from './response.ts';

/**
 * Marks a response where a program can.
 *
 * Pick one: QTI 3.0 response processing template `match_correct`, scaled to the question's points.
 * Pick several: QTI 3.0 `map_response`; each right option is mapped to an equal share of the points, each wrong one
 * to the same share below zero, with lower bound 0 and upper bound the points.
 * @param question with its key
 * @param response fitting the question (see `isFitting`)
 * @returns earned points, 0 ≤ earned ≤ question.points, or null where a teacher marks
 */
export function markResponse(question: Question, response: Response): Hundredths | null {
  if (question.kind !== 'choice' || response.kind !== 'choice') return null;
  return question.several ? mapResponse(question, response.optionIds) : matchCorrect(question, response.optionIds);
}

function matchCorrect(question: ChoiceQuestion, optionIds: readonly string[]): Hundredths {
  const right = question.options.filter((option) => option.right).map((option) => option.id);
  return right.length === optionIds.length && right.every((id) => optionIds.includes(id)) ? question.points : 0;
}

function mapResponse(question: ChoiceQuestion, optionIds: readonly string[]): Hundredths {
  const picked = question.options.filter((option) => optionIds.includes(option.id));
  const rightCount = question.options.filter((option) => option.right).length;
  if (rightCount === 0) return 0;
  const net = picked.reduce((sum, option) => sum + (option.right ? 1 : -1), 0);
  return Math.max(0, Math.min(question.points, Math.round((question.points * net) / rightCount)));
}

import type { Lesson, Part, Rule, RuleCondition } from '../lesson/lesson.ts';
import type { Question } from '../question/question.ts';
import type { PathFault } from './check-path.ts';

/** An answer a rule can look at. */
export interface Pick {
  readonly optionId: string;
  /** As a teacher reads it. */
  readonly text: string;
}

/** What students pick at a question: options, words of a text, areas of a picture, words for gaps. None of other kinds. */
export function picksOf(question: Question): readonly Pick[] {
  switch (question.kind) {
    case 'choice':
      return question.options.map(({ id, text, picture }) => ({ optionId: id, text: text || (picture?.alt ?? '') }));
    case 'poll':
      return question.options.map(({ id, text }) => ({ optionId: id, text }));
    case 'hottext':
      return question.words.flatMap(({ id, text, standing }) => (standing === 'plain' ? [] : [{ optionId: id, text }]));
    case 'hotspot':
      return question.areas.map(({ id, label }) => ({ optionId: id, text: label }));
    case 'inlineChoice':
      return question.gaps.flatMap(({ options }) => options.map(({ id, text }) => ({ optionId: id, text })));
    default:
      return [];
  }
}

/** What is answered in a part, on which its rules look. */
export const questionsOfPart = (part: Part): readonly Question[] =>
  part.stops.flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : []));

/** Rules that look at a question or an answer that is there no longer. */
export function checkRules({ parts }: Lesson): readonly PathFault[] {
  const isGone = (rules: readonly Rule[] | undefined, questions: readonly Question[]) =>
    rules?.some(({ when }) => !isAsked(when, questions)) ?? false;
  return parts.flatMap((part): PathFault[] => [
    ...(isGone(part.rules, questionsOfPart(part)) ? [{ code: 'ruleAnswerGone', partId: part.id } as const] : []),
    ...part.stops.flatMap((stop): PathFault[] =>
      stop.kind === 'checkpoint' && isGone(stop.rules, stop.questions)
        ? [{ code: 'ruleAnswerGone', partId: part.id, stopId: stop.id }]
        : [],
    ),
  ]);
}

/** Whether what a condition looks at is still asked. */
function isAsked(when: RuleCondition, questions: readonly Question[]): boolean {
  if (!('questionId' in when)) return true;
  const question = questions.find(({ id }) => id === when.questionId);
  if (!question) return false;
  return when.kind === 'picked'
    ? picksOf(question).some(({ optionId }) => optionId === when.optionId)
    : question.kind === 'slider';
}

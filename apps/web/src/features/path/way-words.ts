import {
  type Checkpoint,
  isAside,
  type Lesson,
  type Part,
  type Rule,
  type RuleCondition,
  type Target,
} from '@semita/core';
import { formatPlace } from '../../words/place.ts';
import { t } from '../../words/words.ts';
import { sureWords } from '../question/sure-field.tsx';

/** Where a way leads, as it ends a sentence: "go to “The slower explanation”, then back here". */
export function targetWords(lesson: Lesson, target: Target): string {
  if (target.kind !== 'part') return t(`path.to.${target.kind}`);
  const part = lesson.parts.find(({ id }) => id === target.partId);
  if (!part) return t('path.to.gone');
  const stop = part.stops.find(({ id }) => id === target.stopId);
  const title = part.title || t('path.untitled');
  if (target.stopId !== undefined && !stop) return t('path.to.gone');
  if (stop) return t('path.to.stop', { title, place: formatPlace(part.kind, stop) });
  return t(isAside(part) ? 'path.to.aside' : 'path.to.part', { title });
}

/** For whom a rule holds, as it begins a sentence: "Below 60 %". */
export function conditionWords(when: RuleCondition, questions: Checkpoint['questions']): string {
  switch (when.kind) {
    case 'scoreBelow':
    case 'scoreFrom':
      return t(`path.when.${when.kind}`, { percent: when.percent });
    case 'sureAtMost':
      return t('path.when.sureAtMost', { sure: sureWords(when.sure) });
    case 'picked': {
      const question = questions.find(({ id }) => id === when.questionId);
      const options = question?.kind === 'choice' || question?.kind === 'poll' ? question.options : [];
      return t('path.when.picked', { answer: options.find(({ id }) => id === when.optionId)?.text ?? '…' });
    }
  }
}

/** A rule in a sentence a teacher can read. */
export function ruleWords(lesson: Lesson, { when, to }: Rule, questions: Checkpoint['questions']): string {
  return t('path.rule', { when: conditionWords(when, questions), to: targetWords(lesson, to) });
}

export const questionsOfPart = (part: Part): Checkpoint['questions'] =>
  part.stops.flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : []));

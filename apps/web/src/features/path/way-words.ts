import { picksOf, questionsOfPart } from '@semita/core/checks';
import type { Checkpoint, Lesson, Rule, RuleCondition, Target } from '@semita/core/lesson';
import { isAside, type Way } from '@semita/core/path';
import { formatPosition, formatStart } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { confidenceWords } from '../question/sure-field.tsx';
import './words.ts';

/** Where a way leads, as it ends a sentence: "go to “The slower explanation”, then back here". */
export function targetWords(lesson: Lesson, target: Target): string {
  if (target.kind !== 'part') return t(`path.to.${target.kind}`);
  const part = lesson.parts.find(({ id }) => id === target.partId);
  if (!part) return t('path.to.gone');
  const stop = part.stops.find(({ id }) => id === target.stopId);
  const title = part.title || t('path.untitled');
  if (target.stopId !== undefined && !stop) return t('path.to.gone');
  if (stop) return t('path.to.stop', { title, place: formatPosition(part.kind, stop) });
  if (target.at) return t('path.to.stop', { title, place: formatStart(part.kind, target.at) });
  return t(isAside(lesson, part.id) ? 'path.to.aside' : 'path.to.part', { title });
}

/** For whom a rule holds, as it begins a sentence: "Below 60 %". */
export function conditionWords(when: RuleCondition, questions: Checkpoint['questions']): string {
  switch (when.kind) {
    case 'scoreBelow':
    case 'scoreFrom':
      return t(`path.when.${when.kind}`, { percent: when.percent });
    case 'inGroup':
      return t('path.when.inGroup', { group: when.group });
    case 'confidenceAtMost':
      return t('path.when.confidenceAtMost', { sure: confidenceWords(when.confidence) });
    case 'picked': {
      const question = questions.find(({ id }) => id === when.questionId);
      const pick = question && picksOf(question).find(({ optionId }) => optionId === when.optionId);
      return t('path.when.picked', { answer: pick?.text || '…' });
    }
    case 'scaleBelow':
    case 'scaleFrom': {
      const question = questions.find(({ id }) => id === when.questionId);
      return t(`path.when.${when.kind}`, { value: when.value, question: question?.stem || '…' });
    }
  }
}

/** A rule in a sentence a teacher can read. */
export function ruleWords(lesson: Lesson, { when, to }: Rule, questions: Checkpoint['questions']): string {
  return t('path.rule', { when: conditionWords(when, questions), to: targetWords(lesson, to) });
}

/** What stands on a way where it is drawn; nothing on the usual one. */
export function wayLabel(lesson: Lesson, way: Way): string {
  const part = lesson.parts.find(({ id }) => id === way.fromPartId);
  const stop = part?.stops.find(({ id }) => id === way.stopId);
  const { via } = way;
  if (via.kind === 'choice' && stop?.kind === 'fork')
    return stop.choices.find(({ id }) => id === via.choiceId)?.words || t('path.noWords');
  if (via.kind === 'tile' && stop?.kind === 'board')
    return stop.tiles.find(({ id }) => id === via.tileId)?.title || t('board.untitled');
  if (way.when && part)
    return conditionWords(way.when, stop?.kind === 'checkpoint' ? stop.questions : questionsOfPart(part));
  return '';
}

/** The same as a sentence of a list: "“Show me the arch”: go to “Arches”." */
export function waySentence(lesson: Lesson, way: Way): string {
  const to = way.isBroken ? t('path.to.gone') : placeWords(lesson, way);
  const label = wayLabel(lesson, way);
  if (way.via.kind === 'choice' || way.via.kind === 'tile') return t('path.rule', { when: `“${label}”`, to });
  if (way.via.kind === 'rule') return t('path.rule', { when: label, to });
  return t('path.atEnd', { to });
}

/** Where a way leads, by the name of what stands there. */
function placeWords(lesson: Lesson, way: Way): string {
  if (way.target.kind === 'part' || way.target.kind === 'end') return targetWords(lesson, way.target);
  if (way.toPartId === null) return t('path.to.end');
  const title = lesson.parts.find(({ id }) => id === way.toPartId)?.title || t('path.untitled');
  return t(way.target.kind === 'back' ? 'path.to.backTo' : 'path.to.part', { title });
}

import { correctResponse } from '../marking/correct-response.ts';
import { rubricPossible } from '../marking/rubric.ts';
import { isUnitOrName } from '../numbers/units.ts';
import {
  type Area,
  type ChoiceQuestion,
  type Item,
  isOpinion,
  isTeacherMarked,
  type NumericQuestion,
  type Question,
  type SliderQuestion,
  type TextPiece,
} from '../question/question.ts';
import { isBlank } from '../question/response.ts';

export const questionFaultCodes = [
  'stemMissing',
  'optionsTooFew',
  'optionTextMissing',
  'optionsAlike',
  'rightAnswerMissing',
  'rightAnswersTooMany',
  'everyOptionRight',
  'gapsMissing',
  'gapAnswerMissing',
  'pictureMissing',
  'areasMissing',
  'areaLabelMissing',
  'unitUnknown',
  'scaleUpsideDown',
  'keyOutsideScale',
  'opinionWithPoints',
  'wordRangeUpsideDown',
  'hintMissing',
  'rubricUneven',
] as const;
export type QuestionFaultCode = (typeof questionFaultCodes)[number];

/** What keeps a question from being asked, in the order in which its editor shows it. */
export function questionFaults(question: Question): QuestionFaultCode[] {
  const faults: QuestionFaultCode[] = question.stem.trim() === '' ? ['stemMissing'] : [];
  faults.push(...faultsOfKind(question));
  if (question.hint && question.hint.text.trim() === '') faults.push('hintMissing');
  const { rubric } = question;
  if (rubric && rubric.criteria.length > 0 && rubricPossible(rubric) !== question.points) faults.push('rubricUneven');
  if (isOpinion(question) && question.points > 0) faults.push('opinionWithPoints');
  return faults;
}

function faultsOfKind(question: Question): QuestionFaultCode[] {
  switch (question.kind) {
    case 'choice':
      return choiceFaults(question);
    case 'poll':
      return itemFaults(question.options);
    case 'inlineChoice':
      return [
        ...gapFaults(question.pieces),
        ...question.gaps.flatMap(({ options, correctId }) => [
          ...itemFaults(options),
          ...when(!options.some(({ id }) => id === correctId), 'rightAnswerMissing'),
        ]),
      ];
    case 'gapMatch':
      return [
        ...gapFaults(question.pieces),
        ...itemFaults(question.words, 1),
        ...when(
          question.gaps.some(({ correctIds }) => correctIds.length === 0),
          'gapAnswerMissing',
        ),
      ];
    case 'textEntry':
      return [
        ...gapFaults(question.pieces),
        ...when(
          question.gaps.some(({ accepted }) => !accepted.some(({ text, percent }) => text.trim() && percent > 0)),
          'gapAnswerMissing',
        ),
      ];
    case 'numeric':
      return numericFaults(question);
    case 'order':
      return itemFaults(question.items);
    case 'match':
      return [...itemFaults([...question.sources, ...question.targets], 2, false), ...keyFaults(question)];
    case 'associate':
      return [...itemFaults(question.items), ...keyFaults(question)];
    case 'hottext':
      return keyFaults(question);
    case 'hotspot':
      return [...onPicture(question, question.areas), ...keyFaults(question)];
    case 'selectPoint':
      return onPicture(question, question.areas);
    case 'graphicGapMatch':
      return [
        ...onPicture(question, question.areas),
        ...itemFaults(question.words, 1),
        ...when(!question.areas.some(({ correctIds }) => correctIds.length > 0), 'rightAnswerMissing'),
      ];
    case 'slider':
      return sliderFaults(question);
    case 'extendedText': {
      const { min = null, max = null } = question.wordRange ?? {};
      return when(min !== null && max !== null && min > max, 'wordRangeUpsideDown');
    }
    case 'drawing':
      return when(question.ground === 'picture' && !question.picture, 'pictureMissing');
    default:
      return [];
  }
}

function when(isSo: boolean, code: QuestionFaultCode): QuestionFaultCode[] {
  return isSo ? [code] : [];
}

function itemFaults(items: readonly Item[], least = 2, mustDiffer = true): QuestionFaultCode[] {
  const texts = items.map((item) => item.text.trim());
  const isMissing = texts.includes('');
  return [
    ...when(items.length < least, 'optionsTooFew'),
    ...when(isMissing, 'optionTextMissing'),
    ...when(mustDiffer && !isMissing && new Set(texts).size < texts.length, 'optionsAlike'),
  ];
}

function choiceFaults({ options, multiple }: ChoiceQuestion): QuestionFaultCode[] {
  // A picture can stand for words: its own words are asked for anyway.
  const items = options.map((option) => ({ ...option, text: option.text || (option.picture?.alt ?? '') }));
  const right = options.filter((option) => option.correct).length;
  return [
    ...itemFaults(items),
    ...when(right === 0, 'rightAnswerMissing'),
    ...when(right > 1 && !multiple, 'rightAnswersTooMany'),
    ...when(multiple && right === options.length && options.length >= 2, 'everyOptionRight'),
  ];
}

function gapFaults(pieces: readonly TextPiece[]): QuestionFaultCode[] {
  return when(!pieces.some((piece) => 'gapId' in piece), 'gapsMissing');
}

/** A key that is a blank answer is none. */
function keyFaults(question: Question): QuestionFaultCode[] {
  const key = correctResponse(question);
  return when(!isTeacherMarked(question.kind) && (key === null || isBlank(key)), 'rightAnswerMissing');
}

function onPicture({ picture }: Question, areas: readonly Area[]): QuestionFaultCode[] {
  return [
    ...when(!picture, 'pictureMissing'),
    ...when(areas.length === 0, 'areasMissing'),
    ...when(
      areas.some(({ label }) => label.trim() === ''),
      'areaLabelMissing',
    ),
  ];
}

function numericFaults({ value, unit }: NumericQuestion): QuestionFaultCode[] {
  return [...when(!Number.isFinite(value), 'rightAnswerMissing'), ...when(!isUnitOrName(unit), 'unitUnknown')];
}

function sliderFaults({ min, max, step, key }: SliderQuestion): QuestionFaultCode[] {
  return [
    ...when(min >= max || step <= 0, 'scaleUpsideDown'),
    ...when(key !== undefined && (key.from > key.to || key.to < min || key.from > max), 'keyOutsideScale'),
  ];
}

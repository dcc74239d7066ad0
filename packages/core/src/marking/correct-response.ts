import { writeNumber } from '../numbers/parse-number.ts';
import { isOpinion, type Question } from '../question/question.ts';
import type { ResponseBody } from '../question/response.ts';
import { areaMiddle } from './area-holds.ts';

/**
 * The key of a question, said as a response that earns all points; null where there is none: opinions, and what a
 * teacher marks.
 * @param locale BCP 47 tag of the class: numbers are written as they are written there
 */
export function correctResponse(question: Question, locale = 'en'): ResponseBody | null {
  if (isOpinion(question)) return null;
  switch (question.kind) {
    case 'choice':
      return { kind: 'choice', optionIds: question.options.filter(({ correct }) => correct).map(({ id }) => id) };
    case 'hottext':
      return {
        kind: 'choice',
        optionIds: question.words.filter(({ standing }) => standing === 'correct').map(({ id }) => id),
      };
    case 'hotspot':
      return { kind: 'choice', optionIds: question.areas.filter(({ correct }) => correct).map(({ id }) => id) };
    case 'inlineChoice':
      return { kind: 'gaps', gaps: Object.fromEntries(question.gaps.map(({ id, correctId }) => [id, correctId])) };
    case 'textEntry':
      return {
        kind: 'gaps',
        gaps: Object.fromEntries(
          question.gaps.map(({ id, accepted }) => [
            id,
            accepted.toSorted((a, b) => b.percent - a.percent)[0]?.text ?? '',
          ]),
        ),
      };
    case 'gapMatch':
      return { kind: 'gaps', gaps: placedCorrectly(question.gaps) };
    case 'graphicGapMatch':
      return { kind: 'gaps', gaps: placedCorrectly(question.areas) };
    case 'numeric':
      return {
        kind: 'number',
        text: `${writeNumber(question.value, locale, question.significantFigures)} ${question.unit}`.trim(),
      };
    case 'order':
      return { kind: 'order', itemIds: question.items.map(({ id }) => id) };
    case 'match':
    case 'associate':
      return { kind: 'pairs', pairs: question.pairs };
    case 'selectPoint':
      return { kind: 'points', points: question.areas.map(areaMiddle) };
    case 'slider':
      return question.key ? { kind: 'scale', value: (question.key.from + question.key.to) / 2 } : null;
    default:
      return null;
  }
}

/**
 * As many places as can be are filled with words of their own: augmenting paths (Kuhn 1955). Placing the first word
 * that is free leaves places empty that could have been filled.
 */
function placedCorrectly(
  places: readonly { readonly id: string; readonly correctIds: readonly string[] }[],
): Record<string, string> {
  const placeOf = new Map<string, (typeof places)[number]>();
  const place = (one: (typeof places)[number], tried: Set<string>): boolean => {
    for (const wordId of one.correctIds) {
      if (tried.has(wordId)) continue;
      tried.add(wordId);
      const holder = placeOf.get(wordId);
      if (holder && !place(holder, tried)) continue;
      placeOf.set(wordId, one);
      return true;
    }
    return false;
  };
  for (const one of places) place(one, new Set());
  return Object.fromEntries([...placeOf].map(([wordId, { id }]) => [id, wordId]));
}

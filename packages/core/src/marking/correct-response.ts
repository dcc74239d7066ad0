import { isOpinion, type Question } from '../question/question.ts';
import type { ResponseBody } from '../question/response.ts';
import { areaMiddle } from './area-holds.ts';

/**
 * The key of a question, said as a response that earns all points; null where there is none: opinions, and what a
 * teacher marks.
 */
export function correctResponse(question: Question): ResponseBody | null {
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
      return { kind: 'number', text: numberInWords(question.value, question.significantFigures, question.unit) };
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

/** Each place gets the first of its words that no place before it took. */
function placedCorrectly(
  places: readonly { readonly id: string; readonly correctIds: readonly string[] }[],
): Record<string, string> {
  const taken = new Set<string>();
  const placed: Record<string, string> = {};
  for (const { id, correctIds } of places.toSorted((a, b) => a.correctIds.length - b.correctIds.length)) {
    const wordId = correctIds.find((candidate) => !taken.has(candidate));
    if (wordId === undefined) continue;
    taken.add(wordId);
    placed[id] = wordId;
  }
  return placed;
}

function numberInWords(value: number, figures: number | undefined, unit: string): string {
  return `${figures === undefined ? value : value.toPrecision(figures)} ${unit}`.trim();
}

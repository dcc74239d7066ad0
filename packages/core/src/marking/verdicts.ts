import { type Area, isOpinion, type Pair, type Question } from '../question/question.ts';
import type { Response } from '../question/response.ts';
import { areaHolds } from './area-holds.ts';
import { isSameText } from './text-match.ts';

/** What is right of a response and what is not, by the id of what was picked, filled, paired or put. */
export type Verdicts = Readonly<Record<string, boolean>>;

/**
 * Says of each piece of a response whether it is right; empty where there are no pieces, or nobody knows.
 * By option, word or area that was picked; by gap or place that was filled; by the first of each pair; by item of an
 * order that stands where it should; by number, from 0, of points on a picture.
 */
export function verdictsOf(question: Question, response: Response): Verdicts {
  if (isOpinion(question)) return {};
  switch (response.kind) {
    case 'choice':
      return Object.fromEntries(response.optionIds.map((id) => [id, isCorrectPick(question, id)]));
    case 'gaps':
      return Object.fromEntries(
        Object.entries(response.gaps).map(([id, given]) => [id, isCorrectGap(question, id, given)]),
      );
    case 'order':
      return question.kind === 'order'
        ? Object.fromEntries(response.itemIds.map((id, index) => [id, question.items[index]?.id === id]))
        : {};
    case 'pairs':
      return Object.fromEntries(response.pairs.map((pair) => [pair[0], isCorrectPair(question, pair)]));
    case 'points':
      return question.kind === 'selectPoint' ? pointVerdicts(question.areas, response.points) : {};
    default:
      return {};
  }
}

/** Each area counts once: a further point in one that was found already is not right while another is still to be found. */
function pointVerdicts(areas: readonly Area[], points: readonly (readonly [number, number])[]): Verdicts {
  const found = new Set<Area>();
  const told = points.map(([x, y]) => {
    const here = areas.filter((area) => areaHolds(area, x, y));
    const isNew = here.some((area) => !found.has(area));
    for (const area of here) found.add(area);
    return { isNew, isInside: here.length > 0 };
  });
  const isAllFound = found.size === areas.length;
  return Object.fromEntries(told.map(({ isNew, isInside }, index) => [index, isNew || (isInside && isAllFound)]));
}

function isCorrectPick(question: Question, id: string): boolean {
  switch (question.kind) {
    case 'choice':
      return question.options.some((option) => option.id === id && option.correct);
    case 'hottext':
      return question.words.some((word) => word.id === id && word.standing === 'correct');
    case 'hotspot':
      return question.areas.some((area) => area.id === id && area.correct);
    default:
      return false;
  }
}

function isCorrectGap(question: Question, gapId: string, given: string): boolean {
  switch (question.kind) {
    case 'inlineChoice':
      return question.gaps.some(({ id, correctId }) => id === gapId && correctId === given);
    case 'gapMatch':
      return question.gaps.some(({ id, correctIds }) => id === gapId && correctIds.includes(given));
    case 'graphicGapMatch':
      return question.areas.some(({ id, correctIds }) => id === gapId && correctIds.includes(given));
    case 'textEntry':
      return question.gaps.some(
        ({ id, accepted }) =>
          id === gapId &&
          accepted.some(({ text, percent }) => percent > 0 && isSameText(given, text, question.tolerance)),
      );
    default:
      return false;
  }
}

function isCorrectPair(question: Question, [a, b]: Pair): boolean {
  if (question.kind === 'match') return question.pairs.some(([left, right]) => left === a && right === b);
  if (question.kind !== 'associate') return false;
  return question.pairs.some(([one, other]) => (one === a && other === b) || (one === b && other === a));
}

import type { Hundredths } from '../elements/points.ts';
import {
  type Area,
  type ChoiceQuestion,
  isOpinion,
  isTeacherMarked,
  type OrderQuestion,
  type Pair,
  type Question,
  type SelectPointQuestion,
  type TextEntryQuestion,
} from '../question/question.ts';
import type { Response } from '../question/response.ts';
import { areaHolds } from './area-holds.ts';
import { isCorrectNumber } from './mark-number.ts';
import { isSameText } from './text-match.ts';

/**
 * Marks a response where a program can, by QTI 3.0 response processing:
 *
 * - pick one, one word, one place, all-or-nothing order, a scale with a key, a number: `match_correct`, scaled to the
 *   question's points;
 * - pick several, words, places: `map_response`; each right one is mapped to an equal share of the points, each wrong
 *   one to the same share below zero, bounded by 0 and the points. Options with a worth of their own are summed and
 *   bounded by the question's bounds;
 * - gaps and pairs: `map_response`, an equal share for each right one, nothing off for wrong ones;
 * - points on a picture: `map_response_point`, each area counts once;
 * - order by pairs: the share of pairs in the right order, (1 + τ) ÷ 2 with τ of Kendall 1938.
 * @param question with its key
 * @param response fitting the question (see `isFitting`)
 * @param locale BCP 47 tag of the class, for numbers
 * @returns earned points, 0 ≤ earned ≤ question.points, or null where a teacher marks
 */
export function markResponse(question: Question, response: Response, locale = 'en'): Hundredths | null {
  if (isOpinion(question)) return 0;
  if (isTeacherMarked(question.kind)) return question.points === 0 ? 0 : null;
  return share(question.points, correctShare(question, response, locale));
}

/** A share of the points as two whole numbers: so many of so many. */
type Share = readonly [many: number, all: number];

const none: Share = [0, 1];
const whole: Share = [1, 1];

/** A part of the points, in whole hundredths and within bounds; rounded once, here, half up. */
function share(points: Hundredths, [many, all]: Share): Hundredths {
  return Math.max(0, Math.min(points, Math.round((points * many) / all)));
}

function correctShare(question: Question, response: Response, locale: string): Share {
  switch (question.kind) {
    case 'choice':
      return response.kind === 'choice' ? choiceShare(question, response.optionIds) : none;
    case 'hottext':
      return response.kind === 'choice'
        ? picksShare(
            question.words.filter(({ standing }) => standing === 'correct'),
            response.optionIds,
            question.multiple,
          )
        : none;
    case 'hotspot':
      return response.kind === 'choice'
        ? picksShare(
            question.areas.filter(({ correct }) => correct),
            response.optionIds,
            question.multiple,
          )
        : none;
    case 'inlineChoice':
      return response.kind === 'gaps'
        ? meanOf(question.gaps, ({ id, correctId }) => (response.gaps[id] === correctId ? 1 : 0))
        : none;
    case 'gapMatch':
      return response.kind === 'gaps' ? placesShare(question.gaps, response.gaps) : none;
    case 'graphicGapMatch':
      return response.kind === 'gaps' ? placesShare(question.areas, response.gaps) : none;
    case 'textEntry':
      return response.kind === 'gaps' ? textEntryShare(question, response.gaps) : none;
    case 'numeric':
      return response.kind === 'number' && isCorrectNumber(question, response.text, locale) ? whole : none;
    case 'order':
      return response.kind === 'order' ? orderShare(question, response.itemIds) : none;
    case 'match':
      return response.kind === 'pairs' ? pairsShare(question.pairs, response.pairs, pairKey) : none;
    case 'associate':
      return response.kind === 'pairs' ? pairsShare(question.pairs, response.pairs, unorderedPairKey) : none;
    case 'selectPoint':
      return response.kind === 'points' ? pointsShare(question, response.points) : none;
    case 'slider':
      return response.kind === 'scale' &&
        question.key &&
        response.value >= question.key.from &&
        response.value <= question.key.to
        ? whole
        : none;
    default:
      return none;
  }
}

/** @param all what the worth of each can come to */
function meanOf<T>(items: readonly T[], worth: (item: T) => number, all = 1): Share {
  return items.length === 0 ? none : [items.reduce((sum, item) => sum + worth(item), 0), items.length * all];
}

function choiceShare(question: ChoiceQuestion, optionIds: readonly string[]): Share {
  const { options, multiple, bounds, points } = question;
  const isMapped = multiple && options.some((option) => option.worth !== undefined);
  if (!isMapped)
    return picksShare(
      options.filter((option) => option.correct),
      optionIds,
      multiple,
    );
  if (points === 0) return none;
  const sum = options.reduce((all, { id, worth }) => all + (optionIds.includes(id) ? (worth ?? 0) : 0), 0);
  return [Math.max(bounds?.lower ?? 0, Math.min(bounds?.upper ?? points, sum)), points];
}

function picksShare(correct: readonly { readonly id: string }[], picked: readonly string[], multiple: boolean): Share {
  const hits = correct.filter(({ id }) => picked.includes(id)).length;
  if (!multiple) return correct.length === picked.length && hits === correct.length ? whole : none;
  return correct.length === 0 ? none : [hits - (picked.length - hits), correct.length];
}

function placesShare(
  places: readonly { readonly id: string; readonly correctIds: readonly string[] }[],
  given: Readonly<Record<string, string>>,
): Share {
  // A place that stays empty is not one to fill, so nothing is earned by leaving it so.
  const toFill = places.filter(({ correctIds }) => correctIds.length > 0);
  return meanOf(toFill, ({ id, correctIds }) => (correctIds.includes(given[id] ?? '') ? 1 : 0));
}

function textEntryShare({ gaps, tolerance }: TextEntryQuestion, given: Readonly<Record<string, string>>): Share {
  const worth = ({ id, accepted }: (typeof gaps)[number]) => {
    const percents = accepted
      .filter(({ text }) => isSameText(given[id] ?? '', text, tolerance))
      .map(({ percent }) => percent);
    return Math.max(0, ...percents);
  };
  return meanOf(gaps, worth, 100);
}

function orderShare({ items, scoring }: OrderQuestion, itemIds: readonly string[]): Share {
  const right = items.map(({ id }) => id);
  if (scoring === 'exact' || right.length < 2) return right.every((id, index) => id === itemIds[index]) ? whole : none;
  const pairs = pairCount(right.length);
  return [pairs + netConcordance(itemIds.map((id) => right.indexOf(id))), 2 * pairs];
}

/**
 * Kendall's τ of a permutation against 0, 1, 2, …: (concordant − discordant) ÷ all pairs (Kendall 1938).
 * @param ranks each of 0 … n−1 once, n ≥ 2
 * @returns −1 (turned round) to 1 (the same)
 */
export function kendallTau(ranks: readonly number[]): number {
  return netConcordance(ranks) / pairCount(ranks.length);
}

const pairCount = (items: number) => (items * (items - 1)) / 2;

/** Pairs in order less pairs turned round. */
function netConcordance(ranks: readonly number[]): number {
  let net = 0;
  for (let i = 0; i < ranks.length; i++)
    for (let j = i + 1; j < ranks.length; j++) net += (ranks[i] as number) < (ranks[j] as number) ? 1 : -1;
  return net;
}

const pairKey = ([a, b]: Pair) => `${a}\n${b}`;
const unorderedPairKey = (pair: Pair) => pair.toSorted().join('\n');

function pairsShare(right: readonly Pair[], given: readonly Pair[], keyOf: (pair: Pair) => string): Share {
  const keys = new Set(given.map(keyOf));
  return meanOf(right, (pair) => (keys.has(keyOf(pair)) ? 1 : 0));
}

function pointsShare(question: SelectPointQuestion, points: readonly (readonly [number, number])[]): Share {
  const isMet = (area: Area) => points.some(([x, y]) => areaHolds(area, x, y));
  const misses = points.filter(([x, y]) => !question.areas.some((area) => areaHolds(area, x, y))).length;
  const hits = question.areas.filter(isMet).length;
  return question.areas.length === 0 ? none : [hits - misses, question.areas.length];
}

import { markResponse } from '../marking/mark-response.ts';
import type { Question } from '../question/question.ts';
import type { Response } from '../question/response.ts';
import { responseWords } from '../question/response-words.ts';

/**
 * One thing in an answer that others may have given as well, as a short name: an option, a word in a gap, a pair, a
 * number. Students whose answers hold the same pick took the same thing for right.
 */
export type Picked = string;

/** An answer is told by so many of its picks at most, each no longer than this. */
const maxPicks = 40;
const longestPick = 200;

/** What parts an id from another; ids hold no spaces. */
const between = ' ';

/** The picks of a response, in its order; none where every answer is its own. */
export function picksOf({ kind }: Kinded, response: Response): readonly Picked[] {
  return allPicks(kind, response)
    .filter((pick) => pick.length <= longestPick)
    .slice(0, maxPicks);
}

interface Kinded {
  readonly kind: Question['kind'] | 'sealed';
}

function allPicks(kind: Question['kind'] | 'sealed', response: Response): readonly Picked[] {
  switch (response.kind) {
    case 'choice':
      return response.optionIds;
    case 'gaps':
      // What was typed is compared by its words, where marks are given.
      return kind === 'textEntry' ? [] : Object.entries(response.gaps).map((gap) => gap.join(between));
    case 'pairs':
      return response.pairs.map((pair) => pair.join(between));
    case 'number':
      return response.text.trim() === '' ? [] : [response.text.trim()];
    case 'scale':
      return [String(response.value)];
    default:
      return [];
  }
}

/** Of a gap so many of the words before it are told with what was put there. */
const wordsBefore = 4;

/** What a pick says, in the words of the question; empty where the question does not have it any more. */
export function pickWords(question: Question, pick: Picked): string {
  const [first = '', second = ''] = pick.split(between);
  switch (question.kind) {
    case 'inlineChoice':
    case 'gapMatch': {
      const words = responseWords(question, { kind: 'gaps', gaps: { [first]: second } }).join('');
      const at = question.pieces.findIndex((piece) => 'gapId' in piece && piece.gapId === first);
      const before = question.pieces[at - 1];
      const lead = before && 'text' in before ? before.text.trim().split(/\s+/).slice(-wordsBefore).join(' ') : '';
      return words === '' || lead === '' ? words : `… ${lead} ${words}`;
    }
    case 'graphicGapMatch':
      return responseWords(question, { kind: 'gaps', gaps: { [first]: second } }).join('');
    case 'match':
    case 'associate':
      return responseWords(question, { kind: 'pairs', pairs: [[first, second]] }).join('');
    case 'numeric':
    case 'slider':
      return pick;
    default:
      return responseWords(question, { kind: 'choice', optionIds: [pick] }).join('');
  }
}

/** Whether a pick is wrong by the key of the question; never of an opinion. */
export function isWrongPick(question: Question, pick: Picked, locale = 'en'): boolean {
  const [first = '', second = ''] = pick.split(between);
  switch (question.kind) {
    case 'choice':
      return question.options.some(({ id, correct }) => id === pick && !correct);
    case 'hottext':
      return question.words.some(({ id, standing }) => id === pick && standing === 'wrong');
    case 'hotspot':
      return question.areas.some(({ id, correct }) => id === pick && !correct);
    case 'inlineChoice':
      return question.gaps.some(({ id, correctId }) => id === first && correctId !== second);
    case 'gapMatch':
      return question.gaps.some(({ id, correctIds }) => id === first && !correctIds.includes(second));
    case 'graphicGapMatch':
      return question.areas.some(({ id, correctIds }) => id === first && !correctIds.includes(second));
    case 'match':
      return !question.pairs.some(([source, target]) => source === first && target === second);
    case 'associate':
      return !question.pairs.some((pair) => pair.includes(first) && pair.includes(second));
    case 'numeric':
      return (markResponse(question, { kind: 'number', text: pick }, locale) ?? question.points) < question.points;
    default:
      return false;
  }
}

import type { Answer, AttemptState } from '../attempt/attempt-state.ts';
import { earnedByResponse } from '../attempt/tries.ts';
import type { Hundredths } from '../elements/points.ts';
import type { Response } from '../question/response.ts';

/** What one student earned with one question of the bank when they met it first. */
export interface BankResult {
  readonly itemId: string;
  readonly questionId: string;
  readonly earned: Hundredths;
  readonly possible: Hundredths;
}

interface BankQuestion {
  readonly id: string;
  readonly points: Hundredths;
  readonly bankItemId?: string | undefined;
}

interface BankLesson {
  readonly parts: readonly {
    readonly stops: readonly { readonly id: string; readonly questions?: readonly BankQuestion[] }[];
  }[];
}

/** Editions are never altered, so where the bank's questions stand in one is looked up once. */
const foundBefore = new WeakMap<BankLesson, readonly { stopId: string; question: BankQuestion }[]>();

/** Results of all marked answers to questions that were taken from the bank; of several tries the first. */
export function bankResultsOf(lesson: BankLesson, state: Pick<AttemptState, 'stops'>): readonly BankResult[] {
  return fromBank(lesson).flatMap(({ stopId, question }) => {
    const answer = state.stops[stopId]?.answers[question.id];
    const earned = answer && firstTryOf(answer).points;
    if (earned === undefined || earned === null || question.points === 0) return [];
    return [{ itemId: question.bankItemId ?? '', questionId: question.id, earned, possible: question.points }];
  });
}

function fromBank(lesson: BankLesson) {
  const known = foundBefore.get(lesson);
  if (known) return known;
  const found = lesson.parts
    .flatMap(({ stops }) => stops)
    .flatMap(({ id, questions = [] }) => questions.map((question) => ({ stopId: id, question })))
    .filter(({ question }) => question.bankItemId !== undefined);
  foundBefore.set(lesson, found);
  return found;
}

/** What was given at first, and what it came to by itself. */
export function firstTryOf(answer: Answer): { readonly response: Response; readonly points: Hundredths | null } {
  const first = answer.earlier?.find(({ because }) => because === 'tried');
  return first ?? { response: answer.response, points: earnedByResponse(answer) };
}

/** With fewer answers than this a share says little. Common practice, no source. */
export const fewestAnswersSeen = 5;

/**
 * How hard a question has proved, as item difficulty p: the mean share of its points that was earned (Lord & Novick
 * 1968, ch. 15; for points beyond 0 and 1 their mean over the most). From memory.
 * @returns `share` 0 (nobody) to 1 (everybody), null while too few have answered
 */
export function seenDifficulty(results: readonly Pick<BankResult, 'earned' | 'possible'>[]): {
  readonly count: number;
  readonly share: number | null;
} {
  const count = results.length;
  if (count < fewestAnswersSeen) return { count, share: null };
  return { count, share: results.reduce((sum, { earned, possible }) => sum + earned / possible, 0) / count };
}

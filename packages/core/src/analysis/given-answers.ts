import type { AttemptState } from '../attempt/attempt-state.ts';
import { tryNumberOf } from '../attempt/tries.ts';
import type { Hundredths } from '../elements/points.ts';
import type { WalkLesson } from '../walk/walk-lesson.ts';
import { type Picked, picksOf } from './picks.ts';
import { firstTryOf } from './seen-difficulty.ts';

/** What one student did with one question, as far as figures go. */
export interface GivenAnswer {
  readonly stopId: string;
  readonly questionId: string;
  /** Null while it waits for a teacher. */
  readonly points: Hundredths | null;
  readonly possible: Hundredths;
  /** How often it was given, from 1. */
  readonly tries: number;
  readonly hinted: boolean;
  /** Time on task at its stop, all questions of it together, in ms; null until the stop is settled. */
  readonly stopSpentMs: number | null;
  /** What the first of the tries came to; null while it waits for a teacher. */
  readonly firstPoints: Hundredths | null;
  /** What was picked at the first of the tries, where others may have picked the same. */
  readonly picked: readonly Picked[];
  /** How sure the student said they were, 1 to 4; null where the question did not ask. */
  readonly confidence: number | null;
}

/**
 * The answers at stops that have changed between two states of one attempt.
 * @param before null for all stops
 * @returns by the stop, in the order of the lesson; a stop without answers has none
 */
export function givenAnswersSince(
  lesson: WalkLesson,
  before: Pick<AttemptState, 'stops'> | null,
  { stops }: Pick<AttemptState, 'stops'>,
): ReadonlyMap<string, readonly GivenAnswer[]> {
  const changed = new Map<string, readonly GivenAnswer[]>();
  for (const stop of lesson.parts.flatMap((part) => part.stops)) {
    const state = stops[stop.id];
    if (stop.kind !== 'checkpoint' || !state || state === before?.stops[stop.id]) continue;
    const given = stop.questions.flatMap((question): GivenAnswer[] => {
      const answer = state.answers[question.id];
      if (!answer) return [];
      const first = firstTryOf(answer);
      return [
        {
          ...{ firstPoints: first.points, picked: picksOf(question, first.response) },
          ...{ stopId: stop.id, questionId: question.id, points: answer.points, possible: question.points },
          ...{ tries: tryNumberOf(answer), hinted: state.hints?.includes(question.id) ?? false },
          ...{ stopSpentMs: state.spentMs ?? null, confidence: answer.response.confidence ?? null },
        },
      ];
    });
    changed.set(stop.id, given);
  }
  return changed;
}

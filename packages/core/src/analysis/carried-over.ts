import type { Answer, AttemptState } from '../attempt/attempt-state.ts';

type Answered = Pick<AttemptState, 'stops'>;

export interface CarriedOver {
  /** Answers that are the same in both. */
  readonly carried: number;
  /** Ids of questions whose answers are not there any more, or are others. */
  readonly lost: readonly string[];
}

/**
 * What becomes of an attempt's answers when its log is read against another edition of the lesson.
 * @param before as it stands
 * @param after the same log against the other edition
 */
export function carriedOver(before: Answered, after: Answered): CarriedOver {
  const now = answersOf(after);
  const lost: string[] = [];
  let carried = 0;
  for (const [questionId, { response }] of answersOf(before)) {
    if (JSON.stringify(now.get(questionId)?.response) === JSON.stringify(response)) carried += 1;
    else lost.push(questionId);
  }
  return { carried, lost };
}

const answersOf = ({ stops }: Answered): ReadonlyMap<string, Answer> =>
  new Map(Object.values(stops).flatMap(({ answers }) => Object.entries(answers)));

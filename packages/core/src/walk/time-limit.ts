import type { AttemptState, StopState } from '../attempt/attempt-state.ts';
import type { WalkQuestion, WalkStop } from './walk-lesson.ts';

/** How long after the end of its time an answer is still taken, for the way from hand to server, in ms. */
export const timeLimitGraceMs = 10_000;

/** How long a question may stand open for a student, in ms, stretched by their extra time; null where it is not timed. */
export function questionLimitMs(
  { timeLimitMs }: Pick<WalkQuestion, 'timeLimitMs'>,
  { extraTime = 1 }: Pick<AttemptState, 'extraTime'>,
): number | null {
  return timeLimitMs === undefined ? null : Math.round(timeLimitMs * extraTime);
}

/**
 * When the time of a question ends, epoch ms; null where it is not timed, or its time has not begun. Time begins when
 * the student asks for the question; who answered without ever asking, as the first editions of this program allowed,
 * had the time of all timed questions of the stop together, from when it opened.
 */
export function questionEndsAt(
  stop: WalkStop,
  question: WalkQuestion,
  stopState: StopState,
  state: Pick<AttemptState, 'extraTime'>,
): number | null {
  const limitMs = questionLimitMs(question, state);
  if (limitMs === null || stop.kind !== 'checkpoint') return null;
  const begunAt = stopState.began?.[question.id];
  if (begunAt !== undefined) return begunAt + limitMs;
  const allMs = stop.questions.reduce((sum, one) => sum + (questionLimitMs(one, state) ?? 0), 0);
  return stopState.openedAt + allMs;
}

/** Whether the time of a question was over at a moment, epoch ms. */
export function isTimeOver(
  stop: WalkStop,
  question: WalkQuestion,
  stopState: StopState,
  state: Pick<AttemptState, 'extraTime'>,
  at: number,
): boolean {
  if (stopState.ended?.includes(question.id)) return true;
  const endsAt = questionEndsAt(stop, question, stopState, state);
  return endsAt !== null && at > endsAt + timeLimitGraceMs;
}

/** Whether a student may see the words of a question: of one that is timed, once its time has begun. */
export function isShownInTime({ id, timeLimitMs }: WalkQuestion, stopState: StopState | undefined): boolean {
  if (timeLimitMs === undefined) return true;
  if (!stopState) return false;
  return stopState.began?.[id] !== undefined || stopState.answers[id] !== undefined || stopState.phase === 'answered';
}

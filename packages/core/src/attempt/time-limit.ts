import type { AttemptState, StopState } from './attempt-state.ts';
import type { WalkStop } from './walk-lesson.ts';

/** Time for which a stop that is timed stays open beyond its limit, for the way from browser to server, in ms. */
export const timeLimitGraceMs = 10_000;

/**
 * How long a stop may stand open for a student, in ms: the limits of its questions together, stretched by the
 * student's extra time. Null where nothing is timed.
 */
export function stopTimeLimitMs(stop: WalkStop, state: Pick<AttemptState, 'extraTime'>): number | null {
  if (stop.kind !== 'checkpoint') return null;
  const limits = stop.questions.flatMap(({ timeLimitMs }) => timeLimitMs ?? []);
  if (limits.length === 0) return null;
  return Math.round(limits.reduce((sum, limitMs) => sum + limitMs, 0) * (state.extraTime ?? 1));
}

/** Whether a stop's time was over when something came. */
export function isTimeUp(stop: WalkStop, stopState: StopState, state: AttemptState, receivedAt: number): boolean {
  const limitMs = stopTimeLimitMs(stop, state);
  return limitMs !== null && receivedAt > stopState.openedAt + limitMs + timeLimitGraceMs;
}

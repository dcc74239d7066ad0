import type { Answer, AttemptState } from '../attempt/attempt-state.ts';
import type { RuleCondition } from '../lesson/lesson.ts';
import type { WalkStop } from './walk-lesson.ts';

/**
 * Whether a rule's condition holds for what was answered at stops. Points that wait for a teacher count on neither
 * side; where nothing is marked yet, no condition on points holds.
 */
export function holds(when: RuleCondition, stops: readonly WalkStop[], state: AttemptState): boolean {
  const answered = stops.flatMap((stop) => {
    if (stop.kind !== 'checkpoint') return [];
    const answers = state.stops[stop.id]?.answers ?? {};
    return stop.questions.map(({ id, points }) => ({ id, points, answer: answers[id] }));
  });
  const responseTo = (questionId: string) => answered.find(({ id }) => id === questionId)?.answer?.response;
  switch (when.kind) {
    case 'inGroup':
      return state.groups?.includes(when.group) ?? false;
    case 'scoreBelow':
    case 'scoreFrom': {
      const share = earnedShare(answered);
      if (share === null) return false;
      return when.kind === 'scoreBelow' ? share * 100 < when.percent : share * 100 >= when.percent;
    }
    case 'picked': {
      const response = responseTo(when.questionId);
      if (response?.kind === 'gaps') return Object.values(response.gaps).includes(when.optionId);
      return response?.kind === 'choice' && response.optionIds.includes(when.optionId);
    }
    case 'scaleBelow':
    case 'scaleFrom': {
      const response = responseTo(when.questionId);
      if (response?.kind !== 'scale') return false;
      return when.kind === 'scaleBelow' ? response.value < when.value : response.value >= when.value;
    }
    case 'confidenceAtMost': {
      const sures = answered.flatMap(({ answer }) => answer?.response.confidence ?? []);
      return sures.length > 0 && Math.min(...sures) <= when.confidence;
    }
  }
}

/** What was left blank has earned nothing. */
function earnedShare(
  answered: readonly { readonly points: number; readonly answer: Answer | undefined }[],
): number | null {
  const known = answered.filter(({ answer, points }) => points > 0 && answer?.points !== null);
  const possible = known.reduce((sum, { points }) => sum + points, 0);
  if (possible === 0) return null;
  return known.reduce((sum, { answer }) => sum + (answer?.points ?? 0), 0) / possible;
}

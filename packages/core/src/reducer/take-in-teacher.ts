import type { AttemptEvent, TeacherEventBody } from '../attempt/attempt-event.ts';
import { type Answer, type AttemptState, type StopState, withStop } from '../attempt/attempt-state.ts';
import type { Refusal } from '../attempt/refusal.ts';
import { tryNumberOf, worthOfTry } from '../attempt/tries.ts';
import type { HandedFile } from '../question/response.ts';
import { findStop, hintCostOf, type WalkContext, type WalkQuestion } from '../walk/walk-lesson.ts';

export type TeacherEvent = Extract<AttemptEvent, { type: TeacherEventBody['type'] }>;

/** What a teacher's event makes of a state. */
export function applyTeacher(context: WalkContext, state: AttemptState, event: TeacherEvent): AttemptState | Refusal {
  if (event.type === 'grouped') return { ...state, groups: event.groups };
  if (event.type === 'extended') return { ...state, extraTime: event.extraTime };
  if (event.type === 'admitted') {
    const { afterClosing: _, ...rest } = state;
    return { ...rest, admittedUntil: Math.max(state.admittedUntil ?? event.until, event.until) };
  }
  const found = findStop(context.lesson, event.stopId);
  if (found?.stop.kind !== 'checkpoint') return 'stopUnknown';
  const question = found.stop.questions.find((candidate) => candidate.id === event.questionId);
  if (!question) return 'questionUnknown';
  const stop = state.stops[event.stopId];
  const answer = stop?.answers[event.questionId];
  if (!stop || !answer) return 'notAnswered';
  if (event.type === 'remarked') return applyRemarked(context, state, event, { question, stop, answer });
  const isPointsWrong = event.type === 'marked' && (event.points < 0 || event.points > question.points);
  if (isPointsWrong) return 'pointsOutOfRange';
  return withStop(state, event.stopId, {
    ...stop,
    answers: { ...stop.answers, [event.questionId]: afterTeacher(answer, event) },
  });
}

/**
 * What the program makes of an answer by a key that was put right: each of its tries is marked anew, and the best
 * counts, as when they were made. What a teacher marked by hand stays.
 */
function applyRemarked(
  context: WalkContext,
  state: AttemptState,
  event: Extract<TeacherEvent, { type: 'remarked' }>,
  { question, stop, answer }: { readonly question: WalkQuestion; readonly stop: StopState; readonly answer: Answer },
): AttemptState | Refusal {
  if (answer.markedBy !== 'program') return state;
  const all = [...(event.earlier ?? []), event.earned];
  if (all.some((earned) => earned < 0 || earned > question.points)) return 'pointsOutOfRange';
  // Of answers of the first editions of this program it is not said what was taken off for a hint.
  const hintCost = answer.hintCost ?? (stop.hints?.includes(question.id) ? (hintCostOf(question) ?? 0) : 0);
  const earlier = (answer.earlier ?? []).map((one, index) => {
    const earned = event.earlier?.[index] ?? context.mark(question.id, one.response, event.receivedAt);
    if (earned === null || one.points === null) return one;
    const worth = worthOfTry(question, earned, { tryNumber: index + 1, hintCost: one.hintCost ?? 0 });
    return { ...one, points: worth };
  });
  const own = worthOfTry(question, event.earned, { tryNumber: tryNumberOf(answer), hintCost });
  const points = Math.max(own, ...earlier.map((one) => one.points ?? 0));
  const { earned: _, ...rest } = answer;
  const next: Answer = {
    ...rest,
    points,
    ...(earlier.length > 0 ? { earlier } : {}),
    ...(points === event.earned ? {} : { earned: event.earned }),
  };
  return withStop(state, event.stopId, { ...stop, answers: { ...stop.answers, [question.id]: next } });
}

function afterTeacher(
  answer: Answer,
  event: Exclude<TeacherEvent, { type: 'extended' | 'grouped' | 'remarked' | 'admitted' }>,
): Answer {
  switch (event.type) {
    case 'marked': {
      // What the program made of it counts no longer.
      const { earned: _, ...rest } = answer;
      return { ...rest, points: event.points, markedBy: event.by, ...(event.rubric ? { rubric: event.rubric } : {}) };
    }
    case 'commented':
      return {
        ...withoutVoice(answer, event.voice),
        comment: event.text === '' ? null : event.text,
        ...(event.voice ? { voice: event.voice } : {}),
        ...(event.drawn ? { drawn: event.drawn } : {}),
      };
    case 'returned':
      return { ...answer, returned: true };
  }
}

/** Null takes away what was said before. */
function withoutVoice(answer: Answer, voice: HandedFile | null | undefined): Answer {
  if (voice !== null) return answer;
  const { voice: _, ...rest } = answer;
  return rest;
}

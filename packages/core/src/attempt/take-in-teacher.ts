import type { HandedFile } from '../question/response.ts';
import type { AttemptEvent, TeacherEventBody } from './attempt-event.ts';
import { type Answer, type AttemptState, type Refusal, type StopState, withStop } from './attempt-state.ts';
import { tryNumberOf, worthOfTry } from './tries.ts';
import { findStop, hintCostOf, type WalkContext, type WalkQuestion } from './walk-lesson.ts';

export type TeacherEvent = Extract<AttemptEvent, { type: TeacherEventBody['type'] }>;

/** What a teacher's event makes of a state. */
export function applyTeacher(context: WalkContext, state: AttemptState, event: TeacherEvent): AttemptState | Refusal {
  if (event.type === 'grouped') return { ...state, groups: event.groups };
  if (event.type === 'extended') return { ...state, extraTime: event.extraTime };
  const found = findStop(context.lesson, event.stopId);
  if (found?.stop.kind !== 'checkpoint') return 'stopUnknown';
  const question = found.stop.questions.find((candidate) => candidate.id === event.questionId);
  if (!question) return 'questionUnknown';
  const stop = state.stops[event.stopId];
  const answer = stop?.answers[event.questionId];
  if (!stop || !answer) return 'notAnswered';
  if (event.type === 'remarked') return applyRemarked(state, event, question, stop, answer);
  const isPointsWrong = event.type === 'marked' && (event.points < 0 || event.points > question.points);
  if (isPointsWrong) return 'pointsOutOfRange';
  return withStop(state, event.stopId, {
    ...stop,
    answers: { ...stop.answers, [event.questionId]: afterTeacher(answer, event) },
  });
}

/** What the program makes of an answer by a key that was put right. What a teacher marked by hand stays. */
function applyRemarked(
  state: AttemptState,
  event: Extract<TeacherEvent, { type: 'remarked' }>,
  question: WalkQuestion,
  stop: StopState,
  answer: Answer,
): AttemptState | Refusal {
  if (answer.markedBy !== 'program') return state;
  if (event.earned < 0 || event.earned > question.points) return 'pointsOutOfRange';
  const hintCost = stop.hints?.includes(question.id) ? (hintCostOf(question) ?? 0) : 0;
  const points = worthOfTry(question, event.earned, { tryNumber: tryNumberOf(answer), hintCost });
  const { earned: _, ...rest } = answer;
  const next: Answer = { ...rest, points, ...(points === event.earned ? {} : { earned: event.earned }) };
  return withStop(state, event.stopId, { ...stop, answers: { ...stop.answers, [question.id]: next } });
}

function afterTeacher(
  answer: Answer,
  event: Exclude<TeacherEvent, { type: 'extended' | 'grouped' | 'remarked' }>,
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

import type { AttemptEvent } from '../attempt/attempt-event.ts';
import { type AttemptState, withStop } from '../attempt/attempt-state.ts';
import type { Refusal } from '../attempt/refusal.ts';
import { isBlank, isFitting } from '../question/response.ts';
import { findStop, type WalkContext, type WalkStop } from '../walk/walk-lesson.ts';
import { answerTo } from './give-answers.ts';

type RevisedEvent = Extract<AttemptEvent, { type: 'revised' }>;

/** Works on an answer that was given back; it does not matter where on the way the student is. */
export function applyRevised(context: WalkContext, state: AttemptState, event: RevisedEvent): AttemptState | Refusal {
  const found = findStop(context.lesson, event.stopId);
  if (found?.stop.kind !== 'checkpoint') return 'stopUnknown';
  const question = found.stop.questions.find(({ id }) => id === event.questionId);
  const stop = state.stops[event.stopId];
  const last = stop?.answers[event.questionId];
  if (!question || !stop || !last) return 'questionUnknown';
  if (!last.returned) return 'notReturned';
  if (isBlank(event.response)) return 'blank';
  if (!isFitting(question, event.response)) return 'unfitting';
  // Hints that were read and tries that were made count on.
  const answer = answerTo(context, question, event.response, stop, event.receivedAt);
  const { [question.id]: _, ...drafts } = stop.drafts;
  return withStop(state, event.stopId, { ...stop, drafts, answers: { ...stop.answers, [question.id]: answer } });
}

/** What is written on the way to giving an answer again is kept like any other draft. */
export function applyRevisedDraft(
  stop: WalkStop,
  state: AttemptState,
  event: Extract<AttemptEvent, { type: 'draftSaved' }>,
): AttemptState | Refusal {
  const question = stop.kind === 'checkpoint' && stop.questions.find(({ id }) => id === event.questionId);
  const before = state.stops[stop.id];
  if (!question || !before) return 'questionUnknown';
  if (event.response === undefined) return state;
  if (!isFitting(question, event.response)) return 'unfitting';
  return withStop(state, stop.id, { ...before, drafts: { ...before.drafts, [question.id]: event.response } });
}

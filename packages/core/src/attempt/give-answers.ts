import type { Hundredths } from '../lesson/points.ts';
import { isTeacherMarked } from '../question/question.ts';
import { isBlank, isFitting, type Response } from '../question/response.ts';
import type { Answer, EarlierAnswer, Refusal, StopState } from './attempt-state.ts';
import { mayTryAgain, tryNumberOf, worthOfTry } from './tries.ts';
import { hintCostOf, type WalkContext, type WalkQuestion, type WalkStop } from './walk-lesson.ts';

/** Whether an answer may be given again: what a teacher marks is given back instead. */
export function mayTryQuestion(question: WalkQuestion, answer: Answer | undefined): boolean {
  return answer !== undefined && !isTeacherMarked(question.kind) && mayTryAgain(question, answer);
}

type WalkCheckpoint = Extract<WalkStop, { kind: 'checkpoint' }>;

/** The answers after responses were given to a checkpoint, or why they are not taken. */
export function answersTo(
  context: WalkContext,
  stop: WalkCheckpoint,
  { answers: before, hints = [] }: StopState,
  given: { readonly responses: Readonly<Record<string, Response>>; readonly isLate: boolean; readonly at: number },
): Record<string, Answer> | Refusal {
  const { responses, isLate, at } = given;
  const answers: Record<string, Answer> = { ...before };
  for (const question of stop.questions) {
    const last = before[question.id];
    const response = responses[question.id];
    // On a second try only what may be tried again is asked for.
    if (last && (!response || !mayTryQuestion(question, last))) continue;
    if (!response || isBlank(response)) {
      if (isLate || question.mayBeBlank) continue;
      return 'blank';
    }
    if (!isFitting(question, response)) return 'unfitting';
    const hintCost = hints.includes(question.id) ? (hintCostOf(question) ?? 0) : 0;
    const earned = context.mark(question.id, response, at);
    answers[question.id] = toAnswer(question, response, earned, { hintCost, last });
  }
  return answers;
}

/** The best of all tries counts, so that trying again never takes points away. */
function toAnswer(
  question: WalkQuestion,
  response: Response,
  earned: Hundredths | null,
  { hintCost, last }: { readonly hintCost: Hundredths; readonly last: Answer | undefined },
): Answer {
  if (earned === null) return { response, points: null, markedBy: null, comment: null, ...triedBefore(last) };
  const tryNumber = last ? tryNumberOf(last) + 1 : 1;
  const points = Math.max(last?.points ?? 0, worthOfTry(question, earned, { tryNumber, hintCost }));
  const ofResponse = points === earned ? {} : { earned };
  return { response, points, markedBy: 'program', comment: null, ...ofResponse, ...triedBefore(last) };
}

function triedBefore(last: Answer | undefined): Pick<Answer, 'earlier'> {
  return last ? { earlier: [...(last.earlier ?? []), toEarlier(last, 'tried')] } : {};
}

/** An answer as it is kept once another takes its place. */
export function toEarlier({ response, points, comment }: Answer, because: EarlierAnswer['because']): EarlierAnswer {
  return { response, points, comment, because };
}

import type { Answer, AttemptState, EarlierAnswer, StopState } from '../attempt/attempt-state.ts';
import type { Refusal } from '../attempt/refusal.ts';
import { mayTryAgain, tryNumberOf, worthOfTry } from '../attempt/tries.ts';
import type { Hundredths } from '../elements/points.ts';
import { isTeacherMarked } from '../question/question.ts';
import { isBlank, isFitting, type Response } from '../question/response.ts';
import { isTimeOver } from '../walk/time-limit.ts';
import { hintCostOf, type WalkContext, type WalkQuestion, type WalkStop } from '../walk/walk-lesson.ts';

/** Whether an answer may be given again: what a teacher marks is given back instead. */
export function mayTryQuestion(question: WalkQuestion, answer: Answer | undefined): boolean {
  if (answer === undefined || question.kind === 'sealed') return false;
  return !isTeacherMarked(question.kind) && mayTryAgain(question, answer);
}

type WalkCheckpoint = Extract<WalkStop, { kind: 'checkpoint' }>;

/** What a stop comes to when answers are given: the answers, and the questions whose time is over. */
type Given = Pick<StopState, 'answers' | 'ended'>;

/**
 * What a checkpoint comes to after responses were given to it, or why they are not taken. Of a question whose time is
 * over, what was written in time counts, and nothing that came later.
 */
export function answersTo(
  context: WalkContext,
  state: AttemptState,
  stop: WalkCheckpoint,
  before: StopState,
  given: { readonly responses: Readonly<Record<string, Response>>; readonly at: number; readonly receivedAt: number },
): Given | Refusal {
  const answers: Record<string, Answer> = { ...before.answers };
  const ended = new Set(before.ended);
  for (const question of stop.questions) {
    const last = before.answers[question.id];
    const isOver = isTimeOver(stop, question, before, state, given.at);
    if (isOver) ended.add(question.id);
    if (isOver && last) continue;
    const response = (isOver ? before.drafts : given.responses)[question.id];
    // On a second try only what may be tried again is asked for.
    if (last && (!response || !mayTryQuestion(question, last))) continue;
    if (!response || isBlank(response)) {
      if (isOver || question.mayBeBlank) continue;
      return 'blank';
    }
    if (!isFitting(question, response)) return 'unfitting';
    answers[question.id] = answerTo(context, question, response, before, given.receivedAt);
  }
  return { answers, ...(ended.size > 0 ? { ended: [...ended] } : {}) };
}

/** What one response comes to. */
export function answerTo(
  context: WalkContext,
  question: WalkQuestion,
  response: Response,
  { answers, hints = [] }: Pick<StopState, 'answers' | 'hints'>,
  receivedAt: number,
): Answer {
  const hintCost = hints.includes(question.id) ? (hintCostOf(question) ?? 0) : 0;
  const earned = context.mark(question.id, response, receivedAt);
  return toAnswer(question, response, earned, { hintCost, last: answers[question.id] });
}

/** The best of all tries counts, so that trying again never takes points away. */
function toAnswer(
  question: WalkQuestion,
  response: Response,
  earned: Hundredths | null,
  { hintCost, last }: { readonly hintCost: Hundredths; readonly last: Answer | undefined },
): Answer {
  const because = last?.returned ? 'returned' : 'tried';
  const before = last ? { earlier: [...(last.earlier ?? []), toEarlier(last, because)] } : {};
  const hint = hintCost > 0 ? { hintCost } : {};
  if (earned === null) return { response, points: null, markedBy: null, comment: null, ...hint, ...before };
  const tryNumber = last ? tryNumberOf(last) + 1 : 1;
  const points = Math.max(last?.points ?? 0, worthOfTry(question, earned, { tryNumber, hintCost }));
  const ofResponse = points === earned ? {} : { earned };
  return { response, points, markedBy: 'program', comment: null, ...ofResponse, ...hint, ...before };
}

/** An answer as it is kept once another takes its place. */
function toEarlier({ response, points, comment, hintCost }: Answer, because: EarlierAnswer['because']): EarlierAnswer {
  return { response, points, comment, because, ...(hintCost === undefined ? {} : { hintCost }) };
}

import type { AssignmentWindow } from '../assignment/window.ts';
import type { LearnerEvent } from '../attempt/attempt-event.ts';
import type { AttemptState } from '../attempt/attempt-state.ts';
import { eventTraits } from '../attempt/event-traits.ts';
import type { Refusal } from '../attempt/refusal.ts';
import type { WalkContext } from '../walk/walk-lesson.ts';

/** What was done in time counts at once if it came in within this after closing: the way from browser to server, in ms. */
export const arrivalGraceMs = 60_000;

export type WindowVerdict =
  | { readonly kind: 'open' }
  /** Done before `limitAt`, and in after it. */
  | { readonly kind: 'afterClosing'; readonly limitAt: number }
  | { readonly kind: 'refused'; readonly reason: Refusal };

const open = { kind: 'open' } as const;

/**
 * Whether an event is in time. It is judged by when it was done; what was done in time and came in too late is kept for
 * a teacher, who says whether it counts, and so is all that its sitting did in time after it.
 * @param event in its turn: `at` is when it happened, `receivedAt` when its turn came
 */
export function judgeWindow(context: WalkContext, state: AttemptState, event: LearnerEvent): WindowVerdict {
  const { receivedAt } = event;
  const window = context.windowAt?.(receivedAt);
  if (!window) return open;
  const verdict = judgeIn(window, state, event);
  // Looked for last: it takes going through every answer, and most events are in time.
  return verdict.kind !== 'open' && isWorkingAgain(state, event) ? open : verdict;
}

function judgeIn(window: AssignmentWindow, state: AttemptState, event: LearnerEvent): WindowVerdict {
  const { at, receivedAt } = event;
  if (window.opensAt !== null && at < window.opensAt && receivedAt < window.opensAt)
    return { kind: 'refused', reason: 'windowNotOpen' };
  const limitAt = event.type === 'withdrawn' ? earlier(window.dueAt, window.closesAt) : window.closesAt;
  if (limitAt !== null && at > limitAt) return { kind: 'refused', reason: 'windowClosed' };
  if (receivedAt <= (state.admittedUntil ?? Number.NEGATIVE_INFINITY)) return open;
  const waitsUntil = state.intake.sittings[event.sittingId]?.waitsUntil;
  if (waitsUntil !== undefined && at <= waitsUntil && isRoomFor(state, event))
    return { kind: 'afterClosing', limitAt: waitsUntil };
  if (limitAt === null || receivedAt <= limitAt + arrivalGraceMs) return open;
  return isRoomFor(state, event) ? { kind: 'afterClosing', limitAt } : { kind: 'refused', reason: 'windowClosed' };
}

/** Far more than anybody does in a lesson. */
const longestAfterClosing = 2_000_000;

function isRoomFor({ afterClosing }: AttemptState, event: LearnerEvent): boolean {
  return (afterClosing?.length ?? 0) + JSON.stringify(event).length <= longestAfterClosing;
}

/** The state with one more event that waits for a teacher. */
export function keptForTeacher(state: AttemptState, event: LearnerEvent, limitAt: number): AttemptState {
  const { at, receivedAt } = event;
  const before = state.afterClosing;
  const sitting = state.intake.sittings[event.sittingId];
  const isAnswer = event.type === 'answered' || event.type === 'timeUp' || event.type === 'revised';
  return {
    ...state,
    afterClosing: {
      events: (before?.events ?? 0) + 1,
      answers: (before?.answers ?? 0) + (isAnswer ? 1 : 0),
      fromAt: Math.min(before?.fromAt ?? at, at),
      untilAt: Math.max(before?.untilAt ?? at, at),
      arrivedAt: Math.max(before?.arrivedAt ?? receivedAt, receivedAt),
      length: (before?.length ?? 0) + JSON.stringify(event).length,
    },
    ...(sitting
      ? {
          intake: {
            ...state.intake,
            sittings: { ...state.intake.sittings, [event.sittingId]: { ...sitting, waitsUntil: limitAt } },
          },
        }
      : {}),
  };
}

/** What was given back may be worked on whenever it comes back; whoever does may look at the material with it. */
function isWorkingAgain(state: AttemptState, event: LearnerEvent): boolean {
  if (!eventTraits[event.type].isHarmless) return false;
  return Object.values(state.stops).some(({ answers }) =>
    Object.values(answers).some(
      (answer) => answer.returned || answer.earlier?.some(({ because }) => because === 'returned'),
    ),
  );
}

function earlier(a: number | null, b: number | null): number | null {
  if (a === null || b === null) return a ?? b;
  return Math.min(a, b);
}

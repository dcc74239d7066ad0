import type { Hundredths } from '../elements/points.ts';
import type { SheetRow } from './sheet-row.ts';

/** What lists of assignments say of one attempt, and what its student needs; a few numbers, whatever the lesson holds. */
export interface AttemptOutline {
  readonly progress: number;
  readonly earned: Hundredths;
  readonly possible: Hundredths;
  readonly handedInAt: number | null;
  /** Stops whose answers wait to be marked. */
  readonly toMark: number;
  /** Steps that came in after closing and wait for a teacher to say whether they count. */
  readonly waitingSteps: number;
  /** Answers that were given back and not given again yet. */
  readonly returned: number;
  /** From when on the learner counts as stuck if nothing more comes, epoch ms; null where no stop is open. */
  readonly stuckFrom: number | null;
}

/** A learner who has been this long at one stop, or has left it open for a day, is stuck. Common practice, no source. */
const stuckAfterSpentMs = 5 * 60_000;
const stuckAfterAwayMs = 24 * 3_600_000;

export function outlineOf(row: SheetRow): AttemptOutline {
  const { progress, earned, possible, handedInAt, waitingSteps, returned, atOpenStopMs, lastSeenAt } = row;
  const isLongThere = atOpenStopMs !== null && atOpenStopMs >= stuckAfterSpentMs;
  return {
    ...{ progress, earned, possible, handedInAt, waitingSteps, returned },
    toMark: row.marks.filter((mark) => mark.state === 'waiting').length,
    stuckFrom: atOpenStopMs === null ? null : isLongThere ? 0 : lastSeenAt + stuckAfterAwayMs,
  };
}

/** What a student needs from the teacher, the most pressing first. */
export const needs = ['stuck', 'overdue', 'notBegun', 'toMark', 'underWay', 'done', 'excused', 'left'] as const;
export type Need = (typeof needs)[number];

export interface NeedContext {
  readonly excused: boolean;
  /** When it is due for the student, epoch ms. */
  readonly dueAt: number | null;
  readonly now: number;
  /** They may do it, and need not: it is never overdue. */
  readonly isExtra?: boolean | undefined;
  /** The student no longer receives the assignment. */
  readonly hasLeft?: boolean;
}

/**
 * The single most pressing thing about a student.
 * @param outline null when the student has not begun
 * @param now epoch ms
 */
export function needOf(
  outline: AttemptOutline | null,
  { excused, dueAt, now, isExtra = false, hasLeft = false }: NeedContext,
): Need {
  // Nobody waits for who is gone; what they left to be marked can be marked.
  if (hasLeft) return outline && (outline.toMark > 0 || outline.waitingSteps > 0) ? 'toMark' : 'left';
  if (excused) return 'excused';
  const isOverdue = dueAt !== null && now > dueAt && !isExtra;
  if (!outline) return isOverdue ? 'overdue' : 'notBegun';
  const { waitingSteps, handedInAt, stuckFrom, toMark } = outline;
  // What came in after closing may be all that is missing: the next step is the teacher's.
  if (waitingSteps > 0) return 'toMark';
  if (handedInAt === null && stuckFrom !== null && now >= stuckFrom) return 'stuck';
  if (handedInAt === null && isOverdue) return 'overdue';
  if (toMark > 0) return 'toMark';
  return handedInAt === null ? 'underWay' : 'done';
}

export function isLate(attempt: Pick<AttemptOutline, 'handedInAt'> | null, dueAt: number | null): boolean {
  return dueAt !== null && attempt?.handedInAt != null && attempt.handedInAt > dueAt;
}

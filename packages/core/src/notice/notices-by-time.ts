import { Temporal } from 'temporal-polyfill';
import type { AssignmentWindow } from '../assignment/window.ts';
import type { DueNotice } from './notice.ts';

/** One student and one assignment, as far as time alone brings something to be told. */
export interface Waiting {
  readonly assignmentId: string;
  /** The student's own. */
  readonly window: AssignmentWindow;
  /** Since when it reaches them, epoch ms. */
  readonly since: number;
  readonly begun: boolean;
  /** Of the latest attempt; null while it is not handed in. */
  readonly handedIn: { readonly attemptId: string; readonly at: number } | null;
  /** They may do it, and need not: nobody presses them. */
  readonly isExtra: boolean;
}

const dayMs = 24 * 3_600_000;

/**
 * What a student is to be told by now. Each is found for a day after its hour, so that a server that stood still tells it
 * all the same, and an old thing is not told to who joins late; the key makes sure that it is told once.
 * @param now epoch ms
 * @param timeZone of the school: what tomorrow is
 */
export function noticesByTime(one: Waiting, now: number, timeZone: string): DueNotice[] {
  const { assignmentId, window, since, begun, handedIn, isExtra } = one;
  const { opensAt, dueAt, closesAt } = window;
  const isOpen = (opensAt === null || now >= opensAt) && (closesAt === null || now <= closesAt);
  const found: DueNotice[] = [];
  if (handedIn) {
    if (isFresh(handedIn.at, now))
      found.push({ kind: 'receipt', key: `receipt ${handedIn.attemptId} ${handedIn.at}`, about: handedIn.at });
    return found;
  }
  const came = Math.max(since, opensAt ?? 0);
  if (isOpen && !begun && isFresh(came, now)) found.push({ kind: 'new', key: `new ${assignmentId}`, about: dueAt });
  if (dueAt === null || isExtra || !isOpen) return found;
  if (dueAt > now && dueAt - now < 2 * dayMs && isTomorrow(dueAt, now, timeZone))
    found.push({ kind: 'dueTomorrow', key: `due ${assignmentId} ${dueAt}`, about: dueAt });
  if (dueAt < now && isFresh(dueAt, now) && since < dueAt)
    found.push({ kind: 'overdue', key: `overdue ${assignmentId} ${dueAt}`, about: dueAt });
  return found;
}

const isFresh = (at: number, now: number): boolean => at <= now && now - at < dayMs;

function isTomorrow(at: number, now: number, timeZone: string): boolean {
  const day = (ms: number) => Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO(timeZone).toPlainDate();
  return day(now).add({ days: 1 }).equals(day(at));
}

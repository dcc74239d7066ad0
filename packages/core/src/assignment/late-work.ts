import type { LateWork } from '../attempt/terms.ts';
import type { AssignmentWindow } from './window.ts';

const dayMs = 24 * 3_600_000;
const minuteMs = 60_000;

/**
 * What is taken off for handing in late: so much for each day begun after the due date, of 24 hours, up to the most
 * there is; nothing within the grace time. Common practice, no source.
 * @param dueAt epoch ms
 * @param handedInAt epoch ms; null for what is not handed in, of which nothing is taken off yet
 * @returns percent, 0 to 100
 */
export function latePercent(late: LateWork, dueAt: number | null, handedInAt: number | null): number {
  if (late.kind === 'refused' || dueAt === null || handedInAt === null) return 0;
  const lateMs = handedInAt - dueAt;
  if (lateMs <= late.graceMinutes * minuteMs || lateMs <= 0) return 0;
  return Math.min(Math.ceil(lateMs / dayMs) * late.percentEachDay, late.maxPercent, 100);
}

/** A window under the term for late work: where none is taken, it closes when it is due. */
export function withLateWork<W extends AssignmentWindow>(window: W, late: LateWork | undefined): W {
  const { dueAt, closesAt } = window;
  if (late?.kind !== 'refused' || dueAt === null || (closesAt !== null && closesAt <= dueAt)) return window;
  return { ...window, closesAt: dueAt };
}

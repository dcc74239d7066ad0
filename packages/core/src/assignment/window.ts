/** When an assignment can be walked; epoch ms, null for no limit. */
export interface AssignmentWindow {
  readonly opensAt: number | null;
  readonly dueAt: number | null;
  readonly closesAt: number | null;
}

export type WindowPhase = 'notYetOpen' | 'open' | 'pastDue' | 'closed';

/** Where a moment stands in a window. The very second of an end still counts as before it. */
export function windowPhase({ opensAt, dueAt, closesAt }: AssignmentWindow, now: number): WindowPhase {
  if (opensAt !== null && now < opensAt) return 'notYetOpen';
  if (closesAt !== null && now > closesAt) return 'closed';
  return dueAt !== null && now > dueAt ? 'pastDue' : 'open';
}

export interface OrderedWindow<At> {
  readonly opensAt: At | null;
  readonly dueAt: At | null;
  readonly closesAt: At | null;
}

export type WindowFault = 'dueBeforeOpens' | 'closesBeforeDue' | 'closesBeforeOpens';

/**
 * Says what is out of order in a window, or null.
 * @param window in instants, or in local times of one clock as `2026-12-03T23:59`, which stand in the same order as text
 */
export function windowFault<At extends number | string>({
  opensAt,
  dueAt,
  closesAt,
}: OrderedWindow<At>): WindowFault | null {
  if (opensAt !== null && dueAt !== null && dueAt <= opensAt) return 'dueBeforeOpens';
  if (dueAt !== null && closesAt !== null && closesAt < dueAt) return 'closesBeforeDue';
  if (opensAt !== null && closesAt !== null && closesAt <= opensAt) return 'closesBeforeOpens';
  return null;
}

import type { AssignmentWindow } from '@semita/core/assignment';
import { toLocal } from '@semita/core/calendar';

/** One thing on one day. */
export interface WeekEntry {
  readonly key: string;
  /** `2026-12-03` and `23:59`, on the clock of the assignment. */
  readonly date: string;
  readonly time: string;
  readonly kind: 'opens' | 'due' | 'closes';
  readonly title: string;
  /** To whom, or from whom. */
  readonly beside: string;
  readonly to: string | null;
  /** What has come of it so far. */
  readonly state: string | null;
  readonly isDone: boolean;
}

export interface Dated extends AssignmentWindow, Omit<WeekEntry, 'date' | 'time' | 'kind'> {
  readonly timeZone: string;
}

/** The days on which something opens, is due and closes, the earliest first. What closes when it is due stands there once. */
export function entriesOf(all: readonly Dated[]): WeekEntry[] {
  return all
    .flatMap(({ opensAt, dueAt, closesAt, timeZone, key, title, beside, to, state, isDone }) =>
      [
        ['opens', opensAt] as const,
        ['due', dueAt] as const,
        ['closes', closesAt === dueAt ? null : closesAt] as const,
      ].flatMap(([kind, at]): WeekEntry[] => {
        if (at === null) return [];
        const [date = '', time = ''] = toLocal(at, timeZone).split('T');
        return [{ key: `${key} ${kind}`, date, time, kind, title, beside, to, state, isDone }];
      }),
    )
    .toSorted((a, b) => `${a.date} ${a.time}`.localeCompare(`${b.date} ${b.time}`) || a.title.localeCompare(b.title));
}

import { Temporal } from 'temporal-polyfill';
import { localDay } from '../calendar/local-day.ts';
import { toInstant } from '../calendar/local-time.ts';

/** What of an assignment a teacher's day is made of. */
export interface DaySummary {
  readonly id: string;
  readonly classId: string;
  readonly timeZone: string;
  readonly to: readonly {
    readonly name: string;
    readonly opensAt: number | null;
    readonly dueAt: number | null;
    readonly closesAt: number | null;
  }[];
  readonly studentCount: number;
  readonly handedInCount: number;
  readonly toMarkCount: number;
  /** When the first of those that wait to be marked was handed in, epoch ms; null where none was. */
  readonly toMarkSince: number | null;
  readonly stuckCount: number;
  /** Past their date, and not handed in. */
  readonly overdueCount: number;
  /** Since when the first of them is. */
  readonly overdueSince: number | null;
  /** Handed in since `overnightSince`. */
  readonly cameInCount: number;
  /** Wrote back to what was said to an answer, and wait. */
  readonly wroteBackCount?: number | undefined;
}

export const dayNeedKinds = ['stuck', 'wroteBack', 'mark', 'overdue'] as const;
export type DayNeedKind = (typeof dayNeedKinds)[number];

export interface DayNeed {
  readonly assignmentId: string;
  readonly kind: DayNeedKind;
  readonly count: number;
  /** Epoch ms; null where that is not known. */
  readonly since: number | null;
}

export interface DayDate {
  readonly assignmentId: string;
  readonly kind: 'opens' | 'due' | 'closes';
  readonly at: number;
  /** To whom it was given with this date. */
  readonly names: readonly string[];
}

export interface TeacherDay {
  /** By class, those whose need has waited longest first; the same within a class. */
  readonly needs: readonly { readonly classId: string; readonly needs: readonly DayNeed[] }[];
  /** What came in since `overnightSince`, the most first. */
  readonly cameIn: readonly { readonly assignmentId: string; readonly count: number }[];
  /** What opens, is due and closes today on the class's clock, in the order of the clock. */
  readonly dates: readonly DayDate[];
}

/** After it, what comes in is for the day after. Common practice, no source. */
const schoolEnds = '16:00';

/** Four in the afternoon of the day before, on a class's clock; of Friday, where that was a Saturday or a Sunday. */
export function overnightSince(now: number, timeZone: string): number {
  const today = Temporal.PlainDate.from(localDay(now, timeZone));
  const before = today.subtract({ days: 1 });
  const [saturday, friday] = [6, 5];
  const day = before.dayOfWeek >= saturday ? before.subtract({ days: before.dayOfWeek - friday }) : before;
  return toInstant(`${day.toString()}T${schoolEnds}`, timeZone);
}

/** Who is stuck waits in front of a screen, and who asked something for an answer: before all that can wait. */
const waitsFrom = ({ kind, since }: DayNeed): number =>
  kind === 'stuck' ? 0 : kind === 'wroteBack' ? 1 : (since ?? Number.POSITIVE_INFINITY);

/**
 * What a teacher's day begins with.
 * @param now epoch ms
 */
export function teacherDay(assignments: readonly DaySummary[], now: number): TeacherDay {
  const byClass = new Map<string, DayNeed[]>();
  const dates: DayDate[] = [];
  for (const one of assignments) {
    const need = (kind: DayNeedKind, count: number, since: number | null): DayNeed[] =>
      count > 0 ? [{ assignmentId: one.id, kind, count, since }] : [];
    const own = [
      ...need('stuck', one.stuckCount, null),
      ...need('wroteBack', one.wroteBackCount ?? 0, null),
      ...need('mark', one.toMarkCount, one.toMarkSince),
      ...need('overdue', one.overdueCount, one.overdueSince),
    ];
    if (own.length > 0) byClass.set(one.classId, [...(byClass.get(one.classId) ?? []), ...own]);
    dates.push(...datesOn(one, now));
  }
  const needs = [...byClass]
    .map(([classId, own]) => ({ classId, needs: own.toSorted((a, b) => waitsFrom(a) - waitsFrom(b)) }))
    .toSorted((a, b) => longest(a.needs) - longest(b.needs));
  return {
    needs,
    cameIn: assignments
      .filter(({ cameInCount }) => cameInCount > 0)
      .map(({ id, cameInCount }) => ({ assignmentId: id, count: cameInCount }))
      .toSorted((a, b) => b.count - a.count),
    dates: dates.toSorted((a, b) => a.at - b.at),
  };
}

/** Since when the first need of a class waits that can be told. */
const longest = (needs: readonly DayNeed[]): number =>
  Math.min(...needs.map(({ since }) => since ?? Number.POSITIVE_INFINITY));

function datesOn({ id, timeZone, to }: DaySummary, now: number): DayDate[] {
  const today = localDay(now, timeZone);
  const isToday = (at: number) => localDay(at, timeZone) === today;
  const found = new Map<string, DayDate>();
  for (const { name, opensAt, dueAt, closesAt } of to)
    for (const [kind, at] of [
      ['opens', opensAt],
      ['due', dueAt],
      ['closes', closesAt],
    ] as const) {
      // What closes when it is due is told once.
      if (at === null || !isToday(at) || (kind === 'closes' && at === dueAt)) continue;
      const key = `${kind} ${at}`;
      const known = found.get(key);
      found.set(key, { assignmentId: id, kind, at, names: [...(known?.names ?? []), name] });
    }
  return [...found.values()];
}

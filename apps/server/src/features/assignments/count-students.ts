import type { AssignmentSummary } from '@semita/core/contract';
import { needOf } from '@semita/core/sheet';
import { cameTooLate, type StoredOutline } from './sheet-repository.ts';

type Counts = Pick<
  AssignmentSummary,
  | 'studentCount'
  | 'begunCount'
  | 'handedInCount'
  | 'toMarkCount'
  | 'toMarkSince'
  | 'stuckCount'
  | 'overdueCount'
  | 'overdueSince'
  | 'cameInCount'
>;

interface Context {
  readonly isGuest: (student: StoredOutline) => boolean;
  readonly isExtra: boolean | undefined;
  /** Taken back: nobody is late any more. */
  readonly isTakenBack: boolean;
  readonly now: number;
  /** From when on what came in is told. */
  readonly since: number;
}

const earlier = (first: number | null, at: number): number => (first === null || at < first ? at : first);

/** What the students of one assignment come to, counted in one go: Today asks for tens of thousands of them. */
export function countStudents(students: readonly StoredOutline[], context: Context): Counts {
  const { isGuest, isExtra, isTakenBack, now, since } = context;
  let studentCount = 0;
  let begunCount = 0;
  let handedInCount = 0;
  let toMarkCount = 0;
  let stuckCount = 0;
  let overdueCount = 0;
  let cameInCount = 0;
  let toMarkSince: number | null = null;
  let overdueSince: number | null = null;
  for (const student of students) {
    const { counted, terms } = student;
    const outline = counted?.outline ?? null;
    toMarkCount += outline?.toMark ?? 0;
    // Guests stand on the sheet, and are nobody a class waits for.
    if (terms.leftAt !== null || isGuest(student)) continue;
    const { excused } = terms;
    const { dueAt } = terms.window;
    studentCount++;
    if (outline) {
      const { handedInAt, toMark } = outline;
      begunCount++;
      if (handedInAt !== null) {
        handedInCount++;
        if (handedInAt >= since) cameInCount++;
        if (toMark > 0) toMarkSince = earlier(toMarkSince, handedInAt);
      }
    }
    const need = needOf(outline, { excused, dueAt, now, isExtra });
    if (need === 'stuck') stuckCount++;
    // Whoever it reached after its date is given another one, and not reminded of that.
    else if (need === 'overdue' && !isTakenBack && !cameTooLate(student)) {
      overdueCount++;
      if (dueAt !== null) overdueSince = earlier(overdueSince, dueAt);
    }
  }
  return {
    ...{ studentCount, begunCount, handedInCount, toMarkCount, stuckCount, overdueCount, cameInCount },
    ...{ toMarkSince, overdueSince },
  };
}

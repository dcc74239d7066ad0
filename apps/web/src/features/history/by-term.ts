import { localDay, type SchoolDays, termOf } from '@semita/core/calendar';
import type { AssignmentSummary } from '@semita/core/contract';

export interface TermGroup {
  /** Null for what lies in no term. */
  readonly title: string | null;
  readonly assignments: readonly AssignmentSummary[];
}

/** Where something lies in the school's year: by when it was due, else when it opened, else when it was given. */
const dayOf = ({ dueAt, opensAt, givenAt, timeZone }: AssignmentSummary): string =>
  localDay(dueAt ?? opensAt ?? givenAt, timeZone);

/** What was given, term by term, the newest first; between terms last. */
export function byTerm(all: readonly AssignmentSummary[], schoolDays: readonly SchoolDays[]): TermGroup[] {
  const placed = all
    .map((assignment) => ({ assignment, day: dayOf(assignment) }))
    .toSorted((a, b) => b.day.localeCompare(a.day))
    .map((one) => ({ ...one, term: termOf(schoolDays, one.day) }));
  const terms = [...new Set(placed.flatMap(({ term }) => term ?? []))];
  const ofTerm = (term: SchoolDays | null) =>
    placed.filter((one) => one.term === term).map(({ assignment }) => assignment);
  return [
    ...terms.map((term) => ({ title: term.title, assignments: ofTerm(term) })),
    { title: null, assignments: ofTerm(null) },
  ].filter(({ assignments }) => assignments.length > 0);
}

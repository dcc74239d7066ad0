import { type SeriesStep, type StepStanding, stepToDoFirst } from '@semita/core/assignment';
import { inArray } from 'drizzle-orm';
import { assignments } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { AssignedLessons } from './assigned-lessons.ts';
import type { SheetRepository, StoredOutline } from './sheet-repository.ts';

export type SeriesGate = ReturnType<typeof createSeriesGate>;

interface Options extends Pick<Deps, 'db'> {
  readonly given: Pick<AssignedLessons, 'givenOf' | 'preloadGiven' | 'classIdsOf'>;
  readonly sheets: Pick<SheetRepository, 'listOutlines' | 'listOutlinesOf'>;
}

type Outlines = ReadonlyMap<string, StoredOutline>;

/** What steps of series wait for. */
export function createSeriesGate({ db, given, sheets }: Options) {
  const isStep = (assignmentId: string): boolean => {
    const { series } = given.givenOf(assignmentId);
    return series !== null && series.afterPercent !== null;
  };

  /** The steps of a series among what a student has. */
  const stepsAmong = (seriesId: string, own: Outlines): SeriesStep[] =>
    [...own.keys()].flatMap((assignmentId) => {
      const { series, terms } = given.givenOf(assignmentId);
      if (series?.id !== seriesId) return [];
      const { place, afterPercent } = series;
      return [{ assignmentId, place, afterPercent, isExtra: terms.isExtra ?? false }];
    });

  const standingIn =
    (own: Outlines) =>
    (assignmentId: string): StepStanding | undefined => {
      const outline = own.get(assignmentId);
      const isGone = given.givenOf(assignmentId).takenBackAt !== null;
      return outline && !isGone && outline.terms.leftAt === null ? standingOf(outline) : undefined;
    };

  /** The assignment that a student has to do before another; null for none, and for what is begun. */
  const firstToDo = (own: Outlines, assignmentId: string): string | null => {
    const { series } = given.givenOf(assignmentId);
    if (series === null || series.afterPercent === null || (own.get(assignmentId)?.attempts.length ?? 0) > 0)
      return null;
    return stepToDoFirst(stepsAmong(series.id, own), assignmentId, standingIn(own))?.assignmentId ?? null;
  };

  return {
    firstToDo,
    stepsAmong,
    standingIn,

    /** The same for one student, asking only where there is something to ask. */
    waitsFor: (studentId: string, assignmentId: string): string | null =>
      isStep(assignmentId) ? firstToDo(sheets.listOutlinesOf(studentId), assignmentId) : null,

    /** For many students of some assignments: what belongs to their series is read once, and only where there are any. */
    waiting(assignmentIds: readonly string[]): (studentId: string, assignmentId: string) => boolean {
      const seriesIds = new Set(
        assignmentIds.flatMap((id) => (isStep(id) ? (given.givenOf(id).series?.id ?? []) : [])),
      );
      if (seriesIds.size === 0) return () => false;
      const ids = db
        .select({ id: assignments.id })
        .from(assignments)
        .where(inArray(assignments.seriesId, [...seriesIds]))
        .all()
        .map(({ id }) => id);
      given.preloadGiven(ids);
      const all = sheets.listOutlines(ids, new Set(ids.flatMap(given.classIdsOf)));
      const byStudent = new Map<string, Map<string, StoredOutline>>();
      for (const outline of all) {
        const own = byStudent.get(outline.studentId) ?? new Map<string, StoredOutline>();
        byStudent.set(outline.studentId, own.set(outline.assignmentId, outline));
      }
      return (studentId, assignmentId) => firstToDo(byStudent.get(studentId) ?? new Map(), assignmentId) !== null;
    },
  };
}

/** How a student stands with an assignment, whichever of their attempts it was. */
function standingOf({ terms, attempts }: StoredOutline): StepStanding {
  const handedIn = attempts.filter(({ outline }) => outline.handedInAt !== null);
  const shares = handedIn.map(({ outline: { earned, possible } }) => (possible > 0 ? earned / possible : 1));
  return { excused: terms.excused, handedIn: handedIn.length > 0, share: Math.max(0, ...shares) };
}

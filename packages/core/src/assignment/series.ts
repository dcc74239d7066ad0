/** An assignment as one step of a series. */
export interface SeriesStep {
  readonly assignmentId: string;
  /** Steps stand in the order of their places. */
  readonly place: number;
  /**
   * It opens once the step before it is handed in and at least so many percent of its points were earned, 0 to 100; null
   * where only its own dates count.
   */
  readonly afterPercent: number | null;
  /** It stands beside the others: nothing waits for it, and it counts for no progress. */
  readonly isExtra: boolean;
}

/** How a student stands with one step. */
export interface StepStanding {
  readonly excused: boolean;
  readonly handedIn: boolean;
  /** The greatest share of points of what was handed in, 0 to 1; 1 where there is nothing to earn. */
  readonly share: number;
}

/**
 * The step that a student has to do before another opens for them. What they do not have, were excused from, or need not
 * do is passed over, so that nobody waits for what they cannot do. Common practice, no source.
 * @param steps of one series, in any order
 * @param standingOf undefined for a step that the student does not have
 * @returns null where nothing keeps it closed but its own dates
 */
export function stepToDoFirst(
  steps: readonly SeriesStep[],
  assignmentId: string,
  standingOf: (assignmentId: string) => StepStanding | undefined,
): SeriesStep | null {
  const step = steps.find((one) => one.assignmentId === assignmentId);
  if (!step || step.afterPercent === null) return null;
  const before = inOrder(steps).findLast((one) => {
    const standing = standingOf(one.assignmentId);
    return one.place < step.place && !one.isExtra && standing !== undefined && !standing.excused;
  });
  const standing = before && standingOf(before.assignmentId);
  if (!before || !standing) return null;
  return standing.handedIn && standing.share * 100 >= step.afterPercent - roundingTolerance ? null : before;
}

/** Seven of ten points are 70 percent, whatever they are in binary. */
const roundingTolerance = 1e-9;

/**
 * How far a student is in a series: of the steps that they have and have to do, how many are handed in.
 * @param standingOf undefined for a step that the student does not have
 */
export function seriesProgress(
  steps: readonly SeriesStep[],
  standingOf: (assignmentId: string) => StepStanding | undefined,
): { readonly done: number; readonly count: number } {
  const own = steps.flatMap(({ assignmentId, isExtra }) => {
    const standing = isExtra ? undefined : standingOf(assignmentId);
    return standing && !standing.excused ? [standing] : [];
  });
  return { done: own.filter(({ handedIn }) => handedIn).length, count: own.length };
}

/** Where a step stands among those that have to be done, from 1; null for an extra. */
export function numberInSeries(steps: readonly SeriesStep[], assignmentId: string): number | null {
  const index = inOrder(steps)
    .filter(({ isExtra }) => !isExtra)
    .findIndex((one) => one.assignmentId === assignmentId);
  return index < 0 ? null : index + 1;
}

const inOrder = (steps: readonly SeriesStep[]): SeriesStep[] => steps.toSorted((a, b) => a.place - b.place);

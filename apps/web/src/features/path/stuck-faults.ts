import { type Fault, faultsOfDraft, type TriedRoute } from '@semita/core/checks';
import type { Lesson } from '@semita/core/lesson';

/**
 * Where students would be stuck, as faults of the draft.
 * @param whole the draft with other lessons in their places, as it was tried
 */
export const stuckFaults = (whole: Lesson, routes: readonly TriedRoute[]): readonly Fault[] =>
  faultsOfDraft(
    whole,
    routes.flatMap(({ stuckAt }): Fault[] =>
      stuckAt
        ? [{ code: 'routeStuck', partId: stuckAt.partId, ...(stuckAt.stopId ? { stopId: stuckAt.stopId } : {}) }]
        : [],
    ),
  );

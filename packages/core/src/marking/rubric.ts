import type { Hundredths } from '../elements/points.ts';
import type { Rubric } from '../question/question.ts';

/** Which level of each criterion an answer met, by the criterion's id. */
export type RubricLevels = Readonly<Record<string, string>>;

/** What the levels that were met come to; criteria without one add nothing. */
export function rubricPoints(rubric: Rubric, met: RubricLevels): Hundredths {
  return rubric.criteria.reduce(
    (sum, { id, levels }) => sum + (levels.find((level) => level.id === met[id])?.points ?? 0),
    0,
  );
}

/** What the best levels of all criteria come to. */
export function rubricPossible(rubric: Rubric): Hundredths {
  return rubric.criteria.reduce((sum, { levels }) => sum + Math.max(0, ...levels.map(({ points }) => points)), 0);
}

/** Whether every level that was met is one of its criterion's. */
export function isFittingRubric(rubric: Rubric | undefined, met: RubricLevels): boolean {
  return Object.entries(met).every(([criterionId, levelId]) =>
    rubric?.criteria.some(({ id, levels }) => id === criterionId && levels.some((level) => level.id === levelId)),
  );
}

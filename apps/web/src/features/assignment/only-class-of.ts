import type { AssignmentSummary } from '@semita/core/contract';

/** The class of an assignment that only one has; null of others. */
export function onlyClassOf({ to }: Pick<AssignmentSummary, 'to'>): string | null {
  const classIds = new Set(to.map(({ classId }) => classId));
  const [first] = classIds;
  return classIds.size === 1 ? (first ?? null) : null;
}

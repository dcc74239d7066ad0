import { checkPath, checkRules, type PathFaultCode } from '@semita/core/checks';
import type { Lesson } from '@semita/core/lesson';
import { type Route, type RouteStep, wayKey } from '@semita/core/path';

/** What is wrong with the path, by the part where it is. */
export function faultsByPart(lesson: Lesson): ReadonlyMap<string, readonly PathFaultCode[]> {
  const faults = new Map<string, PathFaultCode[]>();
  for (const { code, partId } of [...checkPath(lesson), ...checkRules(lesson)])
    if (partId !== undefined) faults.set(partId, [...(faults.get(partId) ?? []), code]);
  return faults;
}

/**
 * The keys of the ways a route takes.
 * @param shownAs the cards that stand for parts which have come in from other lessons
 */
export function waysOfRoute({ steps }: Route, shownAs: ReadonlyMap<string, string>): ReadonlySet<string> {
  const card = (id: string) => shownAs.get(id) ?? id;
  return new Set(steps.flatMap((step, index) => keyOfStep(step, steps[index + 1], card)));
}

function keyOfStep({ node, via }: RouteStep, next: RouteStep | undefined, card: (id: string) => string): string[] {
  const isEnd = via.kind === 'order' || via.kind === 'next';
  // Going on in the same part, or inside the card of another lesson, is no way.
  if (isEnd && next?.node.partId === node.partId && next.node.fromStop === node.untilStop) return [];
  if (isEnd && next && card(next.node.partId) === card(node.partId) && card(node.partId) !== node.partId) return [];
  return [wayKey(via, card(node.partId))];
}

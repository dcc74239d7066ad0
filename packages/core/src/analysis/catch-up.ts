import { type Coverage, coverageStrip } from '../coverage/coverage.ts';
import { hasLength, type PartKind } from '../lesson/lesson.ts';

/** A stretch of a part that somebody has not met, or a place where something is left to answer. */
export interface MissedStretch {
  readonly partId: string;
  readonly fromMs: number;
  /** The same as `fromMs` where all around it was met. */
  readonly toMs: number;
  /** Stops in it, or at its end, that are not settled. */
  readonly stopIds: readonly string[];
}

interface MissablePart {
  readonly id: string;
  readonly kind: PartKind;
  readonly inMs: number;
  readonly outMs: number;
  readonly stops: readonly { readonly id: string; readonly atMs: number }[];
}

/** Shorter holes are between two claims of one look; our own choice. */
const shortestMs = 3_000;

/**
 * What somebody has missed of some parts, in their order: stretches that were not met, each with the stops in it that
 * are open, and open stops that stand in what was met.
 * @param coverageOf what was met of a part; nothing where it was never opened
 */
export function missedStretches(
  parts: readonly MissablePart[],
  coverageOf: (partId: string) => Coverage,
  isSettled: (stopId: string) => boolean,
): MissedStretch[] {
  return parts.flatMap(({ id: partId, kind, inMs, outMs, stops }): MissedStretch[] => {
    const open = stops.filter((stop) => !isSettled(stop.id));
    if (!hasLength({ kind })) {
      if (open.length === 0) return [];
      return [{ partId, fromMs: inMs, toMs: inMs, stopIds: open.map(({ id }) => id) }];
    }
    const gaps = coverageStrip(coverageOf(partId), { fromMs: inMs, toMs: outMs }).filter(
      ({ times, fromMs, toMs }) => times === 0 && toMs - fromMs >= shortestMs,
    );
    // A stop at the beginning of a stretch belongs to what was met before it.
    const gapOf = ({ atMs }: { readonly atMs: number }) =>
      gaps.find(({ fromMs, toMs }) => (atMs > fromMs || atMs === inMs) && atMs <= toMs && atMs >= fromMs);
    const inGaps = gaps.map((gap) => ({
      ...{ partId, fromMs: gap.fromMs, toMs: gap.toMs },
      stopIds: open.filter((stop) => gapOf(stop) === gap).map(({ id }) => id),
    }));
    const alone = groupByPlace(open.filter((stop) => !gapOf(stop)));
    return [...inGaps, ...alone.map(({ atMs, stopIds }) => ({ partId, fromMs: atMs, toMs: atMs, stopIds }))].toSorted(
      (a, b) => a.fromMs - b.fromMs || a.toMs - b.toMs,
    );
  });
}

function groupByPlace(stops: readonly { readonly id: string; readonly atMs: number }[]) {
  const places = new Map<number, string[]>();
  for (const { id, atMs } of stops) places.set(atMs, [...(places.get(atMs) ?? []), id]);
  return [...places].map(([atMs, stopIds]) => ({ atMs, stopIds }));
}

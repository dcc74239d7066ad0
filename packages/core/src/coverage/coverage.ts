/** A stretch of a clip, times of the film in ms, `fromMs` ≤ `toMs`. */
export interface Interval {
  readonly fromMs: number;
  readonly toMs: number;
}

/** A stretch that was met `times` times over its whole length. */
export interface Segment extends Interval {
  readonly times: number;
}

/**
 * What was met of a clip: segments in order, never overlapping, none empty, neighbours that touch differ in `times`.
 * Exact: small gaps are joined only when it is read, so that the order in which intervals come in cannot matter.
 */
export type Coverage = readonly Segment[];

/** Stretches that are no further apart than this count as one: players lose a moment at a pause or a seek. */
export const joinMs = 500;

/** Adds a segment behind others, growing the last one where the two are one. Empty ones are dropped. */
function push(segments: Segment[], fromMs: number, toMs: number, times: number): void {
  if (toMs <= fromMs) return;
  const last = segments.at(-1);
  if (last && last.toMs === fromMs && last.times === times) segments[segments.length - 1] = { ...last, toMs };
  else segments.push({ fromMs, toMs, times });
}

/**
 * Takes one more interval into a coverage.
 * @param interval in ms of the film; one that is empty or backwards changes nothing
 */
export function addInterval(coverage: Coverage, { fromMs, toMs }: Interval): Coverage {
  if (!(toMs > fromMs)) return coverage;
  const first = firstEndingAfter(coverage, fromMs);
  const result: Segment[] = coverage.slice(0, first);
  let placeMs = fromMs;
  let next = first;
  for (let segment = coverage[next]; segment && segment.fromMs < toMs; segment = coverage[++next]) {
    push(result, segment.fromMs, Math.min(fromMs, segment.toMs), segment.times);
    push(result, placeMs, segment.fromMs, 1);
    push(result, Math.max(placeMs, segment.fromMs), Math.min(toMs, segment.toMs), segment.times + 1);
    push(result, toMs, segment.toMs, segment.times);
    placeMs = Math.max(placeMs, segment.toMs);
  }
  push(result, placeMs, toMs, 1);
  const after = coverage[next];
  if (after) push(result, after.fromMs, after.toMs, after.times);
  for (let i = next + 1; i < coverage.length; i++) result.push(coverage[i] as Segment);
  return result;
}

/** The first segment that ends later than a time; where one ends exactly there, it is the one before. */
function firstEndingAfter(coverage: Coverage, atMs: number): number {
  let low = 0;
  let high = coverage.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((coverage[middle] as Segment).toMs <= atMs) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * The coverage of many intervals at once: the same as adding them one by one, in n log n.
 * @param intervals in any order; empty and backwards ones count for nothing
 */
export function coverageOf(intervals: readonly Interval[]): Coverage {
  const starts = new Float64Array(intervals.length);
  const ends = new Float64Array(intervals.length);
  let count = 0;
  for (const { fromMs, toMs } of intervals) {
    if (!(toMs > fromMs)) continue;
    starts[count] = fromMs;
    ends[count++] = toMs;
  }
  const sortedStarts = starts.subarray(0, count).sort();
  const sortedEnds = ends.subarray(0, count).sort();
  const segments: Segment[] = [];
  let placeMs = 0;
  let times = 0;
  for (let s = 0, e = 0; e < count; ) {
    const startMs = s < count ? (sortedStarts[s] as number) : Number.POSITIVE_INFINITY;
    const endMs = sortedEnds[e] as number;
    const atMs = Math.min(startMs, endMs);
    if (times > 0) push(segments, placeMs, atMs, times);
    placeMs = atMs;
    // Starts before ends at the same moment, so that touching intervals leave no gap of nothing between them.
    if (startMs <= endMs) {
      times++;
      s++;
    } else {
      times--;
      e++;
    }
  }
  return segments;
}

/**
 * What was met and what was not, without holes over a whole window; what was never met has `times` 0. A gap of at
 * most half a second takes the smaller count of its two neighbours.
 */
export function coverageStrip(coverage: Coverage, window: Interval): readonly Segment[] {
  const strip: Segment[] = [];
  let previous: Segment | undefined;
  for (const segment of coverage) {
    const gapFromMs = previous?.toMs ?? window.fromMs;
    const gapTimes = previous && segment.fromMs - previous.toMs <= joinMs ? Math.min(previous.times, segment.times) : 0;
    pushWithin(strip, window, gapFromMs, segment.fromMs, gapTimes);
    pushWithin(strip, window, segment.fromMs, segment.toMs, segment.times);
    previous = segment;
  }
  pushWithin(strip, window, previous?.toMs ?? window.fromMs, window.toMs, 0);
  return strip;
}

function pushWithin(strip: Segment[], window: Interval, fromMs: number, toMs: number, times: number): void {
  push(strip, Math.max(fromMs, window.fromMs), Math.min(toMs, window.toMs), times);
}

/** How much of a window was met at least once, in ms. */
export function metMs(coverage: Coverage, window: Interval): number {
  return coverageStrip(coverage, window).reduce(
    (sum, segment) => (segment.times > 0 ? sum + segment.toMs - segment.fromMs : sum),
    0,
  );
}

/** The share of a window that was met at least once, 0 to 1; 0 for an empty window. */
export function metShare(coverage: Coverage, window: Interval): number {
  const lengthMs = window.toMs - window.fromMs;
  return lengthMs > 0 ? metMs(coverage, window) / lengthMs : 0;
}

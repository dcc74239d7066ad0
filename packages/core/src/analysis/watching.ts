import type { Rewind } from '../attempt/attempt-state.ts';
import { type Coverage, type Interval, joinMs, type Segment } from '../coverage/coverage.ts';

/** How one student went through one part. Times are of the part's axis, in ms. */
export interface WatchedLine {
  readonly studentId: string;
  readonly coverage: Coverage;
  readonly furthestMs: number;
  readonly pauses: readonly number[];
  readonly rewinds: readonly Rewind[];
  /** Of a text or slides: time before each block was met, in ms, by where it begins. */
  readonly blockMs: Readonly<Record<number, number>>;
}

/** How many met each step of a part, at least once and at least twice. */
export interface Retention {
  readonly fromMs: number;
  readonly stepMs: number;
  /** Students who began the part: met anything of it. */
  readonly starters: number;
  readonly met: readonly number[];
  readonly again: readonly number[];
}

/** The longest part is told in so many steps at most. */
const maxSteps = 7_200;

/**
 * The retention curve of a part: how many of those who began it met each of its seconds, and how many met it more than
 * once. A step is met where its middle is.
 * @param window the part's own, in ms
 * @param stepMs at least 1; wider where there would be more than two hours of steps
 */
export function retentionOf(lines: readonly WatchedLine[], window: Interval, stepMs = 1_000): Retention {
  const lengthMs = Math.max(0, window.toMs - window.fromMs);
  const wide = Math.max(stepMs, Math.ceil(lengthMs / maxSteps));
  const count = Math.ceil(lengthMs / wide);
  const met = new Int32Array(count + 1);
  const again = new Int32Array(count + 1);
  let starters = 0;
  // The first step whose middle is not before a moment.
  const stepAt = (ms: number) => Math.min(count, Math.max(0, Math.ceil((ms - window.fromMs) / wide - 0.5)));
  const add = (fromMs: number, toMs: number, times: number): boolean => {
    if (times < 1 || toMs <= window.fromMs || fromMs >= window.toMs) return false;
    const [first, end] = [stepAt(fromMs), stepAt(toMs)];
    if (first < end) {
      (met[first] as number)++;
      (met[end] as number)--;
      if (times > 1) {
        (again[first] as number)++;
        (again[end] as number)--;
      }
    }
    return true;
  };
  for (const { coverage } of lines) {
    let isStarter = false;
    let before: Segment | undefined;
    for (const segment of coverage) {
      // A short gap is none, here as in the strip of one student: it was met as often as the less met of its neighbours.
      if (before && segment.fromMs > before.toMs && segment.fromMs - before.toMs <= joinMs)
        add(before.toMs, segment.fromMs, Math.min(before.times, segment.times));
      if (add(segment.fromMs, segment.toMs, segment.times)) isStarter = true;
      before = segment;
    }
    if (isStarter) starters++;
  }
  return { fromMs: window.fromMs, stepMs: wide, starters, met: summed(met), again: summed(again) };
}

function summed(changes: Int32Array): readonly number[] {
  const sums: number[] = new Array(changes.length - 1);
  let sum = 0;
  for (let i = 0; i < sums.length; i++) {
    sum += changes[i] as number;
    sums[i] = sum;
  }
  return sums;
}

/** Something about a part that a teacher may want to look at. */
export type WatchingFinding =
  /** Many met this stretch more than once. */
  | {
      readonly kind: 'wentBack';
      readonly fromMs: number;
      readonly toMs: number;
      readonly studentIds: readonly string[];
    }
  /** Many who began have not come past this place. */
  | { readonly kind: 'left'; readonly fromMs: number; readonly toMs: number; readonly studentIds: readonly string[] }
  /** Many paused here, where nothing stops them. */
  | { readonly kind: 'paused'; readonly fromMs: number; readonly toMs: number; readonly studentIds: readonly string[] };

/** With fewer who began, one of them makes a pattern. Common practice, no source. */
export const fewestStarters = 5;
/** A finding is about at least so many students, and so large a share of those who began. Common practice, no source. */
const fewestFound = 3;
const foundShare = 0.25;
/** What is nearer together than this is told as one, in ms. */
const nearMs = 10_000;

/**
 * What stands out in how a part was watched, in its order; nothing where too few have begun.
 * @param window the part's own, in ms
 */
export function watchingFindings(
  lines: readonly WatchedLine[],
  window: Interval,
  retention = retentionOf(lines, window),
): readonly WatchingFinding[] {
  const { starters } = retention;
  if (starters < fewestStarters) return [];
  const enough = Math.max(fewestFound, Math.ceil(starters * foundShare));
  const found = [
    ...wentBack(lines, retention, enough),
    ...leftAt(lines, window, enough),
    ...pausedAt(lines, window, enough),
  ];
  return found.toSorted((a, b) => a.fromMs - b.fromMs);
}

function wentBack(lines: readonly WatchedLine[], { fromMs, stepMs, again }: Retention, enough: number) {
  const stretches: { from: number; to: number }[] = [];
  for (const [step, count] of again.entries()) {
    if (count < enough) continue;
    const last = stretches.at(-1);
    if (last && (step - last.to) * stepMs <= nearMs) last.to = step + 1;
    else stretches.push({ from: step, to: step + 1 });
  }
  return stretches.map(({ from, to }): WatchingFinding => {
    const place = { fromMs: fromMs + from * stepMs, toMs: fromMs + to * stepMs };
    const isBack = ({ coverage }: WatchedLine) =>
      coverage.some((met) => met.times > 1 && met.fromMs < place.toMs && met.toMs > place.fromMs);
    return { kind: 'wentBack', ...place, studentIds: idsOf(lines.filter(isBack)) };
  });
}

/** Places at which many stopped: those whose furthest points lie close together, and before the end. */
function leftAt(lines: readonly WatchedLine[], window: Interval, enough: number) {
  const stopped = lines.filter(({ coverage, furthestMs }) => coverage.length > 0 && furthestMs < window.toMs - 2_000);
  return clusters(stopped.map((line) => ({ line, atMs: line.furthestMs }))).flatMap((members): WatchingFinding[] =>
    members.length < enough
      ? []
      : [{ kind: 'left', ...placeOf(members), studentIds: idsOf(members.map(({ line }) => line)) }],
  );
}

function pausedAt(lines: readonly WatchedLine[], window: Interval, enough: number) {
  const pauses = lines.flatMap((line) => line.pauses.map((atMs) => ({ line, atMs })));
  const inWindow = pauses.filter(({ atMs }) => atMs >= window.fromMs && atMs <= window.toMs);
  return clusters(inWindow).flatMap((members): WatchingFinding[] => {
    const studentIds = idsOf(members.map(({ line }) => line));
    return studentIds.length < enough ? [] : [{ kind: 'paused', ...placeOf(members), studentIds }];
  });
}

interface Placed {
  readonly line: WatchedLine;
  readonly atMs: number;
}

/** Moments that follow each other within a few seconds, but never a run of them longer than twice that. */
function clusters(moments: readonly Placed[]): readonly (readonly Placed[])[] {
  const groups: Placed[][] = [];
  for (const moment of moments.toSorted((a, b) => a.atMs - b.atMs)) {
    const last = groups.at(-1);
    const first = last?.[0];
    if (last && first && moment.atMs - (last.at(-1) as Placed).atMs <= nearMs / 2 && moment.atMs - first.atMs <= nearMs)
      last.push(moment);
    else groups.push([moment]);
  }
  return groups;
}

const placeOf = (members: readonly Placed[]) => ({
  fromMs: Math.floor((members[0] as Placed).atMs),
  toMs: Math.ceil((members.at(-1) as Placed).atMs),
});

const idsOf = (lines: readonly WatchedLine[]): readonly string[] => [
  ...new Set(lines.map(({ studentId }) => studentId)),
];

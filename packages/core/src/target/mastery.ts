import type { Hundredths } from '../elements/points.ts';

/** What one answer says about a target. */
export interface Evidence {
  readonly earned: Hundredths;
  readonly possible: Hundredths;
  /** Epoch ms. */
  readonly at: number;
}

export const masteryLevels = ['met', 'nearly', 'notMet'] as const;
export type MasteryLevel = (typeof masteryLevels)[number];

export interface Mastery {
  /** How many answers say something. */
  readonly count: number;
  /** 0 to 1; null where there are too few answers to say. */
  readonly share: number | null;
  /** Null where there are too few answers to say. */
  readonly level: MasteryLevel | null;
}

/** How it is told; common practice, no source. */
export const masteryRule = {
  /** Fewer answers say nothing. */
  minCount: 3,
  /** Older ones are history. */
  maxCount: 10,
  /** Each answer weighs this much of the one after it. */
  olderWeighs: 2 / 3,
  met: 0.8,
  nearly: 0.5,
} as const;

/**
 * How far a target is met: the mean of the shares of the latest answers, of which the latest weighs the most.
 * @param evidence in any order; answers that carry no points say nothing
 */
export function masteryOf(evidence: readonly Evidence[]): Mastery {
  const { minCount, maxCount, olderWeighs, met, nearly } = masteryRule;
  const latest = evidence
    .filter(({ possible }) => possible > 0)
    .toSorted((a, b) => b.at - a.at)
    .slice(0, maxCount);
  if (latest.length < minCount) return { count: latest.length, share: null, level: null };
  let [sum, weights] = [0, 0];
  latest.forEach(({ earned, possible }, age) => {
    const weight = olderWeighs ** age;
    sum += weight * (earned / possible);
    weights += weight;
  });
  const share = sum / weights;
  // Sums of thirds: what is exactly on the line is on it.
  const reaches = (line: number) => share >= line - 1e-9;
  return { count: latest.length, share, level: reaches(met) ? 'met' : reaches(nearly) ? 'nearly' : 'notMet' };
}

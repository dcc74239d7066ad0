import Fraction from 'fraction.js';

/** What a percentage is called. */
export type GradingScale =
  | { readonly kind: 'percent' }
  /** A name from a percentage on, the highest first; below the last of them, there is none. */
  | { readonly kind: 'steps'; readonly steps: readonly ScaleStep[] }
  /** A number between what 0 and what 100 percent come to. */
  | { readonly kind: 'numbers'; readonly at0: number; readonly at100: number; readonly decimals: 0 | 1 | 2 };

export interface ScaleStep {
  readonly name: string;
  /** In hundredths of a percent: 87.5 is 8750. */
  readonly from: number;
}

export const percentScale: GradingScale = { kind: 'percent' };

const steps = (...all: [name: string, fromPercent: number][]): GradingScale => ({
  kind: 'steps',
  steps: all.map(([name, fromPercent]) => ({ name, from: fromPercent * 100 })),
});

/**
 * Scales to begin with, each to be changed by its teacher. Where their steps lie is a value from memory of what is
 * usual; common practice, no source.
 */
export const usualScales = {
  percent: percentScale,
  lettersToF: steps(['A', 90], ['B', 80], ['C', 70], ['D', 60], ['F', 0]),
  lettersToE: steps(['A', 90], ['B', 75], ['C', 60], ['D', 50], ['E', 40], ['F', 0]),
  oneToSix: steps(['1', 92], ['2', 81], ['3', 67], ['4', 50], ['5', 30], ['6', 0]),
  oneToFive: steps(['1', 90], ['2', 75], ['3', 60], ['4', 45], ['5', 0]),
  fourToTen: { kind: 'numbers', at0: 4, at100: 10, decimals: 0 },
  zeroToTen: { kind: 'numbers', at0: 0, at100: 10, decimals: 1 },
  oneToTen: { kind: 'numbers', at0: 1, at100: 10, decimals: 1 },
  zeroToTwenty: { kind: 'numbers', at0: 0, at100: 20, decimals: 1 },
  upToSix: { kind: 'numbers', at0: 1, at100: 6, decimals: 1 },
  passed: steps(['Passed', 50], ['Not yet', 0]),
} as const satisfies Record<string, GradingScale>;
export type UsualScale = keyof typeof usualScales;

/** Which of them schools mostly use where numbers are written in a language; from memory. */
const usualOf: Readonly<Record<string, UsualScale>> = {
  ...{ de: 'oneToSix', cs: 'oneToFive', sv: 'lettersToE', fi: 'fourToTen', fr: 'zeroToTwenty', es: 'zeroToTen' },
  ...{ it: 'zeroToTen', nl: 'oneToTen', pt: 'zeroToTwenty' },
};

/** @param locale BCP 47 tag */
export const usualScaleOf = (locale: string): UsualScale => usualOf[locale.split('-')[0] ?? ''] ?? 'percent';

/** Rounded to so many decimals, halves up: what a person with a pencil does. */
export function roundHalfUp(value: Fraction, decimals: number): number {
  const scale = 10 ** decimals;
  return value.mul(scale).add('1/2').floor().div(scale).valueOf();
}

/**
 * What a percentage is called on a scale.
 * @param percent as it is shown, so that nobody reads 90 beside the name of what is below
 * @returns null where the scale names nothing but percents, or has no name that low
 */
export function nameOnScale(percent: number, scale: GradingScale): string | null {
  if (scale.kind === 'percent') return null;
  if (scale.kind === 'steps')
    return (
      scale.steps.toSorted((a, b) => b.from - a.from).find(({ from }) => Math.round(percent * 100) >= from)?.name ??
      null
    );
  const { at0, at100, decimals } = scale;
  // What is on top of all that was to be had ends with the scale.
  const share = new Fraction(Math.min(100, Math.max(0, percent))).div(100);
  return roundHalfUp(new Fraction(at100).sub(at0).mul(share).add(at0), decimals).toFixed(decimals);
}

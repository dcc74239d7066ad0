import { addInterval, type Coverage, coverageOf, type Interval } from '@semita/core/coverage';
import { createRandom } from '../demo/src/seeded-random.ts';
import { type Figure, medianRatio, timeOf } from './compare.ts';

const clipMs = 45 * 60_000;
const count = 5_000;

/** Five thousand stretches of a 45-minute clip, as a class would play it: mostly forward, with looks back. */
function createIntervals(): Interval[] {
  const random = createRandom(1);
  return Array.from({ length: count }, () => {
    const fromMs = Math.round(random.between(0, clipMs - 30_000));
    return { fromMs, toMs: fromMs + Math.round(random.between(200, 30_000)) };
  });
}

export async function measureCoverage(): Promise<Figure[]> {
  const intervals = createIntervals();
  const random = createRandom(2);
  const numbers = Array.from({ length: count }, () => random.next());
  const sorting = () => timeOf(() => [...numbers].sort((a, b) => a - b));
  const known = coverageOf(intervals);
  const addingAll = () => {
    let coverage: Coverage = known;
    for (let i = 0; i < 100; i++) coverage = addInterval(coverage, intervals[i] as Interval);
    return coverage;
  };
  return [
    {
      name: 'Coverage of a 45-minute clip, 5,000 intervals ÷ sorting 5,000 numbers',
      ratio: await medianRatio(7, () => timeOf(() => coverageOf(intervals)), sorting),
      goal: 10,
      better: 'lower',
    },
    {
      name: 'One more interval on top of those 5,000 ÷ sorting 5,000 numbers',
      ratio: await medianRatio(7, () => timeOf(addingAll) / 100, sorting),
      goal: 0.5,
      better: 'lower',
    },
  ];
}

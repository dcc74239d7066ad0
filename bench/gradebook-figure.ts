import { type GradebookCell, type GradebookColumn, type GradebookRules, totalOf } from '@semita/core/gradebook';
import { createRandom } from '../demo/src/seeded-random.ts';
import { type Figure, medianRatio, timeOf } from './compare.ts';

const [students, columns] = [200, 200];

/** A year of a big class: five categories with weights, the lowest two of each left out, some late, some missing. */
export async function measureGradebook(): Promise<Figure[]> {
  const random = createRandom(5);
  const categories = ['Classwork', 'Homework', 'Projects', 'Practical', 'Talks'];
  const given = Array.from({ length: columns }, (_, i): GradebookColumn => {
    const category = categories[i % categories.length] ?? '';
    return {
      assignmentId: `a${i}`,
      title: `Lesson ${i}`,
      category,
      isExtra: i % 17 === 0,
      worth: 1_000,
      day: '2026-11-01',
    };
  });
  const rules: GradebookRules = {
    ...{ byWeight: true, missing: 'zero', extras: 'onTop', decimals: 1, scale: { kind: 'percent' } },
    categories: categories.map((name, i) => ({ name, weight: 1_000 + i * 333, dropLowest: 2 })),
  };
  const cells = Array.from({ length: students }, () =>
    Array.from({ length: columns }, (): GradebookCell => {
      if (random.chance(0.05)) return { state: 'notBegun', earned: 0, possible: 1_000, isMissing: true };
      const late = random.chance(0.1) ? { isLate: true as const, latePercent: 10 } : {};
      return { state: 'handedIn', earned: Math.round(random.between(0, 1_000)), possible: 1_000, ...late };
    }),
  );
  const json = JSON.stringify(cells);
  return [
    {
      name: `Totals of ${students} students × ${columns} results ÷ JSON.parse of the results`,
      ratio: await medianRatio(
        9,
        () => timeOf(() => cells.map((own) => totalOf(own, given, rules))),
        () => timeOf(() => JSON.parse(json)),
      ),
      goal: 5,
      better: 'lower',
    },
  ];
}

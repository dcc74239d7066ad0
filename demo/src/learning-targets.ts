import type { Lesson } from '@semita/core/lesson';
import type { ReadTarget } from '@semita/core/target';

const under = (parentCode: string, code: string, words: string): ReadTarget => ({ code, words, parentCode });

/** What the teacher's classes learn this term. */
export const learningTargets: readonly ReadTarget[] = [
  { code: 'B', words: 'How structures carry load', parentCode: null },
  under('B', 'B.1', 'Tells compression from tension'),
  under('B', 'B.2', 'Relates span to bending'),
  under('B', 'B.3', 'Compares load with own weight'),
  under('B', 'B.4', 'Follows a load to the ground'),
  { code: 'D', words: 'Designing', parentCode: null },
  under('D', 'D.1', 'Gives reasons for a choice'),
];

/** What each question of the lessons is to show. */
const targetOf: Readonly<Record<string, string>> = {
  ...{ 'q-beam': 'B.1', 'q-sides': 'B.1', 'q-stayed': 'B.1', 'q-beam-side': 'B.1' },
  ...{ 'q-span': 'B.2', 'q-arch': 'B.2', 'q-beam-between': 'B.2', 'q-cable': 'B.2' },
  ...{ 'q-ratio': 'B.3', 'q-feet': 'B.3' },
  ...{ 'q-path': 'B.4', 'q-suspension': 'B.4', 'q-parts': 'B.4', 'q-sketch': 'B.4' },
  ...{ 'q-own': 'D.1', 'q-compare': 'D.1', 'q-explain': 'D.1', 'q-build': 'D.1' },
};

/** The lesson with its questions naming their targets. */
export const withTargets = (lesson: Lesson): Lesson => ({
  ...lesson,
  parts: lesson.parts.map((part) => ({
    ...part,
    stops: part.stops.map((stop) =>
      stop.kind === 'checkpoint'
        ? {
            ...stop,
            questions: stop.questions.map((question) => {
              const target = targetOf[question.id];
              return target === undefined ? question : { ...question, target };
            }),
          }
        : stop,
    ),
  })),
});

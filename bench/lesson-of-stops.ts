import type { LearnerEventBody } from '@semita/core/attempt';
import type { Lesson } from '@semita/core/lesson';
import type { ChoiceQuestion } from '@semita/core/question';

const stretchMs = 30_000;

const question = (id: string): ChoiceQuestion => ({
  ...{ id, kind: 'choice', stem: 'Which force squeezes?', points: 100, several: false, teacherNote: '' },
  options: [
    { id: `${id}-a`, text: 'Tension', right: false, feedback: '' },
    { id: `${id}-b`, text: 'Compression', right: true, feedback: '' },
  ],
});

/** One film with a question every half minute. */
export const lessonOfStops = (stopCount: number): Lesson => ({
  title: `${stopCount} stops`,
  parts: [
    {
      ...{ id: 'clip', kind: 'clip', title: 'Film', materialId: 'film', inMs: 0, outMs: (stopCount + 1) * stretchMs },
      stops: Array.from({ length: stopCount }, (_, i) => ({
        ...{ id: `stop-${i}`, kind: 'checkpoint', atMs: (i + 1) * stretchMs, required: true },
        questions: [question(`question-${i}`)],
      })),
    },
  ],
});

/** All stops but the last answered, as somebody does who may skip; in batches. */
export const answeredWalk = (stopCount: number): LearnerEventBody[][] => {
  const bodies = Array.from({ length: stopCount - 1 }, (_, i): LearnerEventBody[] => [
    { type: 'reachedStop', stopId: `stop-${i}` },
    {
      type: 'answered',
      stopId: `stop-${i}`,
      responses: { [`question-${i}`]: { kind: 'choice', optionIds: [`question-${i}-b`] } },
    },
  ]).flat();
  return Array.from({ length: Math.ceil(bodies.length / 50) }, (_, i) => bodies.slice(i * 50, (i + 1) * 50));
};

import type { LearnerEventBody } from '@semita/core/attempt';
import type { Lesson } from '@semita/core/lesson';
import type { ChoiceQuestion } from '@semita/core/question';

const stretchMs = 30_000;

const question = (id: string): ChoiceQuestion => ({
  ...{ id, kind: 'choice', stem: 'Which force squeezes?', points: 100, multiple: false, teacherNote: '' },
  options: [
    { id: `${id}-a`, text: 'Tension', correct: false, feedback: '' },
    { id: `${id}-b`, text: 'Compression', correct: true, feedback: '' },
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

/** What it takes to come to a stop and answer it: its stretch of the film, and the answer. */
export const stepsTo = (i: number): LearnerEventBody[] => [
  { type: 'met', partId: 'clip', fromMs: i * stretchMs, toMs: (i + 1) * stretchMs, rate: 2 },
  { type: 'reachedStop', stopId: `stop-${i}` },
  {
    type: 'answered',
    stopId: `stop-${i}`,
    responses: { [`question-${i}`]: { kind: 'choice', optionIds: [`question-${i}-b`] } },
  },
];

import type { Lesson, UntimedPart } from '@semita/core/lesson';
import { untimedWindow } from '@semita/core/lesson';
import type { Question } from '@semita/core/question';
import { checkpoint, choice } from './bridge-lesson.ts';

/** What the teacher sorts her questions by, and what they are to show. */
const tagsOfQuestion: Readonly<Record<string, { readonly tags: string[]; readonly target?: string }>> = {
  'q-beam': { tags: ['beams', 'forces'], target: 'Tells compression from tension' },
  'q-sides': { tags: ['beams', 'forces'], target: 'Tells compression from tension' },
  'q-span': { tags: ['beams'], target: 'Relates span to bending' },
  'q-ratio': { tags: ['numbers'], target: 'Compares load with own weight' },
  'q-arch': { tags: ['arches', 'forces'], target: 'Tells compression from tension' },
  'q-path': { tags: ['suspension'], target: 'Follows a load to the ground' },
  'q-suspension': { tags: ['suspension'], target: 'Follows a load to the ground' },
  'q-stayed': { tags: ['cable-stayed', 'forces'], target: 'Tells compression from tension' },
};

const right = 'Yes.';
const quick = (id: string, stem: string, isPulled: boolean, why: string) => ({
  ...choice(id, stem, 100, [
    ['It is pulled: tension.', isPulled, isPulled ? right : why],
    ['It is squeezed: compression.', !isPulled, isPulled ? why : right],
  ]),
  target: 'Tells compression from tension',
});

/** Short questions, of which each student is given three. */
const quickQuestions = [
  quick(
    'q-hanger',
    'A hanger holds up the deck of a suspension bridge. What happens to it?',
    true,
    'Something hangs on it.',
  ),
  quick(
    'q-tower',
    'A main cable lies over the top of a tower. What happens to the tower?',
    false,
    'The cable presses down on it.',
  ),
  quick('q-pier', 'A beam rests on a pier in the river. What happens to the pier?', false, 'The beam stands on it.'),
  quick('q-stone', 'What happens to a stone in the middle of an arch?', false, 'Its neighbours push from both sides.'),
  quick('q-ruler', 'You bend a ruler like a smile. What happens to its lower side?', true, 'It gets longer.'),
  quick(
    'q-anchor',
    'A cable ends in an anchorage. What happens to the cable?',
    true,
    'The bridge pulls at its other end.',
  ),
];

interface Entry {
  readonly question: Question;
  readonly tags: string[];
}

/** The questions of a lesson that the teacher has put into her bank, and the short ones. */
export function bankEntries(lesson: Lesson): Entry[] {
  const asked = lesson.parts
    .flatMap(({ stops }) => stops)
    .flatMap((stop) => (stop.kind === 'checkpoint' ? stop.questions : []));
  return [
    ...quickQuestions.map((question) => ({ question, tags: ['forces', 'quick'] })),
    ...asked.flatMap((question) => {
      const sorted = tagsOfQuestion[question.id];
      if (!sorted) return [];
      const { tags, target } = sorted;
      return [{ question: { ...question, ...(target ? { target } : {}) }, tags }];
    }),
  ].toReversed();
}

/** The lesson with its questions tied to those of the bank. */
export function tiedToBank(lesson: Lesson, itemIdOf: ReadonlyMap<string, string>): Lesson {
  const tie = (question: Question): Question => {
    const bankItemId = itemIdOf.get(question.id);
    return bankItemId === undefined ? question : { ...question, bankItemId };
  };
  return {
    ...lesson,
    parts: lesson.parts.map((part) => ({
      ...part,
      stops: part.stops.map((stop) =>
        stop.kind === 'checkpoint' ? { ...stop, questions: stop.questions.map(tie) } : stop,
      ),
    })),
  };
}

/** Practice behind the slides: three of six, others for each student. */
export const quickPractice: UntimedPart = {
  id: 'part-practice',
  kind: 'task',
  title: 'Pulled or squeezed?',
  ...untimedWindow,
  practice: true,
  stops: [{ ...checkpoint('stop-practice', 0, quickQuestions), pick: 3, shuffle: true }],
};

import type { Response } from '@semita/core/question';
import type { Manner } from './simulated-student.ts';

/*
 * What a teacher can find in the answers of the demo's classes to the lesson on the film: a stretch that most went back
 * over, two questions at which the same students take the squeezed side for the pulled one, an option that misleads, a
 * key that is wrong, some who need help, and one who raced. It changes nothing of what is drawn by chance.
 */

/** By their places in the roster. */
interface ClassStory {
  readonly swapsSides: readonly number[];
  readonly needsHelp: readonly number[];
  readonly races: readonly number[];
}

export const cobaltStory: ClassStory = {
  swapsSides: [1, 5, 9, 14, 16, 19, 22],
  needsHelp: [12, 15, 23],
  races: [21],
};

export const amberStory: ClassStory = {
  swapsSides: [1, 4, 6, 13, 22],
  needsHelp: [3, 9, 24],
  races: [17],
};

const pick = (...optionIds: string[]): Response => ({ kind: 'choice', optionIds });
const sides = (upper: string, lower: string): Response => ({
  kind: 'gaps',
  gaps: { 'gap-upper': upper, 'gap-lower': lower },
});

/** The squeezed side for the pulled one, twice. */
const swapped = { 'q-beam': pick('q-beam-1'), 'q-sides': sides('u-f', 'l-m') };
const mostlyWrong = {
  'q-beam': pick('q-beam-2'),
  'q-sides': sides('u-f', 'l-c'),
  'q-arch': pick('q-arch-2', 'q-arch-3'),
  'q-path': { kind: 'order', itemIds: ['p-m', 'p-a', 'p-x', 'p-c', 'p-t'] },
  'q-stayed': pick('q-stayed-2'),
  'q-parts': { kind: 'gaps', gaps: { 'place-a': 'w-b', 'place-b': 'w-r', 'place-c': 'w-g' } },
} as const satisfies Record<string, Response>;

/** What is said of flat arches is heard again by most, before they answer. */
const goesBack = { stopId: 'stop-arch', toMs: 84_000 };

/** A student's manner with the part they play in the story of their class. */
export function inStory(story: ClassStory, index: number, manner: Manner): Manner {
  const isIn = (places: readonly number[]) => places.includes(index);
  const weak = isIn(story.needsHelp) || isIn(story.races);
  // The key of this one is wrong, and those who know more answer by what is right.
  const span = pick(manner.skill > 0.6 && !weak ? 'q-span-1' : 'q-span-0');
  return {
    ...manner,
    takes: {
      'q-span': span,
      ...(isIn(story.swapsSides) ? swapped : {}),
      ...(manner.skill < 0.64 ? { 'q-stayed': pick('q-stayed-0') } : {}),
      ...(weak ? mostlyWrong : {}),
    },
    ...(isIn(story.races) ? { hurry: 0.15 } : index % 3 === 0 ? {} : { goesBack }),
  };
}

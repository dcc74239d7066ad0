import type { LessonPicture } from '@semita/core/elements';
import type { Area, QuestionOf } from '@semita/core/question';

/** Pictures taken from the film, by what they show. */
export interface BridgePictures {
  readonly beam: LessonPicture;
  readonly arches: LessonPicture;
  readonly stayed: LessonPicture;
}

export const pictureFiles = {
  beam: {
    file: 'beam.webp',
    alt: 'A truck on a beam bridge. The beam sags in the middle; its ends rest on two banks.',
  },
  arches: { file: 'two-arches.webp', alt: 'A tall arch and a flat arch, each on two stone feet.' },
  stayed: {
    file: 'cable-stayed.webp',
    alt: 'A bridge with two towers. Straight cables run from each tower to the deck on both sides.',
  },
} as const satisfies Record<keyof BridgePictures, { file: string; alt: string }>;

/** Ids of things inside questions: their letters tell nothing of which is right, or first. */
const item = (id: string, text: string) => ({ id, text });
const box = (id: string, label: string, coords: readonly [number, number, number, number]): Area => ({
  id,
  shape: 'rect',
  coords,
  label,
});

export const beamSides: QuestionOf<'inlineChoice'> = {
  id: 'q-sides',
  kind: 'inlineChoice',
  stem: 'Choose the words that make it true.',
  points: 100,
  teacherNote: '',
  pieces: [
    { text: 'When a beam sags, its upper side is in ' },
    { gapId: 'gap-upper' },
    { text: ' and its lower side in ' },
    { gapId: 'gap-lower' },
    { text: '.' },
  ],
  gaps: [
    { id: 'gap-upper', options: [item('u-k', 'compression'), item('u-f', 'tension')], correctId: 'u-k' },
    { id: 'gap-lower', options: [item('l-m', 'compression'), item('l-c', 'tension')], correctId: 'l-c' },
  ],
};

export const sureBefore: QuestionOf<'slider'> = {
  id: 'q-sure-before',
  kind: 'slider',
  stem: 'I could explain to somebody how a bridge carries load.',
  points: 0,
  teacherNote: 'Asked again at the end.',
  min: 1,
  max: 5,
  step: 1,
  minLabel: 'I disagree',
  maxLabel: 'I agree',
};

export const sureAfter: QuestionOf<'slider'> = {
  ...sureBefore,
  id: 'q-sure-after',
  stem: 'And now: I could explain to somebody how a bridge carries load.',
  teacherNote: '',
  comparedWith: sureBefore.id,
};

export const ownWeight: QuestionOf<'numeric'> = {
  id: 'q-ratio',
  kind: 'numeric',
  stem: 'A paper beam weighs $12\\,\\mathrm{g}$ and holds $420\\,\\mathrm{g}$ before it fails. How many times its own weight does it hold?',
  points: 100,
  teacherNote: '',
  value: 35,
  tolerance: { kind: 'exact' },
  unit: '',
  unitNeeded: false,
  hint: { text: 'Divide what it holds by what it weighs: $\\frac{420}{12}$.', cost: 25 },
  tries: { count: 2, laterPercent: 50 },
  feedback: { correct: 'Yes: $420 \\div 12 = 35$.', wrong: 'How often do 12 g go into 420 g?' },
};

export function archFeet(picture: LessonPicture): QuestionOf<'selectPoint'> {
  return {
    id: 'q-feet',
    kind: 'selectPoint',
    stem: 'Set a point on each foot of the arch that pushes outward **harder**.',
    points: 200,
    teacherNote: '',
    picture,
    maxPoints: 2,
    tries: { count: 2, laterPercent: 50 },
    feedback: { wrong: 'Listen once more to what the film says about flat arches.' },
    areas: [
      box('foot-a', 'Left foot of the flat arch', [5_400, 6_200, 6_500, 7_300]),
      box('foot-b', 'Right foot of the flat arch', [7_700, 6_200, 8_800, 7_300]),
    ],
  };
}

export const loadPath: QuestionOf<'order'> = {
  id: 'q-path',
  kind: 'order',
  stem: 'A car stands on a suspension bridge. Put its load’s way in order, from the car to the ground.',
  points: 200,
  teacherNote: '',
  scoring: 'pairs',
  items: [
    item('p-t', 'Deck'),
    item('p-c', 'Hangers'),
    item('p-x', 'Main cable'),
    item('p-a', 'Towers'),
    item('p-m', 'Ground'),
  ],
};

export function bridgeParts(picture: LessonPicture): QuestionOf<'graphicGapMatch'> {
  return {
    id: 'q-parts',
    kind: 'graphicGapMatch',
    stem: 'Put the labels where they belong.',
    points: 200,
    teacherNote: '',
    picture,
    words: [item('w-d', 'tower'), item('w-b', 'cables'), item('w-r', 'deck'), item('w-g', 'hangers')],
    areas: [
      {
        ...box('place-a', 'Place beside the left tower, under the road', [1_450, 7_700, 2_900, 8_400]),
        correctIds: ['w-d'],
      },
      {
        ...box('place-b', 'Place on the slanting lines to the right of the right tower', [7_300, 3_600, 8_700, 4_300]),
        correctIds: ['w-b'],
      },
      { ...box('place-c', 'Place on the road between the towers', [4_300, 5_400, 5_800, 6_100]), correctIds: ['w-r'] },
    ],
  };
}

export function drawPath(picture: LessonPicture): QuestionOf<'drawing'> {
  return {
    id: 'q-draw',
    kind: 'drawing',
    stem: 'Draw the way of the truck’s load to the ground with arrows.',
    points: 200,
    teacherNote: '',
    picture,
    ground: 'picture',
    mayBeBlank: true,
    modelAnswer: 'From the truck along the beam to both ends, then straight down into the banks.',
  };
}

export const wouldBuild: QuestionOf<'poll'> = {
  id: 'q-build',
  kind: 'poll',
  stem: 'Which bridge would you most like to build of paper?',
  points: 0,
  teacherNote: '',
  multiple: false,
  options: [item('b-m', 'A beam'), item('b-a', 'An arch'), item('b-t', 'A suspension bridge')],
};

export const keepersWord: QuestionOf<'textEntry'> = {
  id: 'q-word',
  kind: 'textEntry',
  stem: 'One word, as in the notebook.',
  points: 100,
  teacherNote: '',
  pieces: [{ text: 'What is pulled is in ' }, { gapId: 'gap-pull' }, { text: '.' }],
  gaps: [{ id: 'gap-pull', accepted: [{ text: 'tension', percent: 100 }] }],
  tolerance: { caseMatters: false, accentsMatter: false, slips: 1 },
};

export const shapesMatch: QuestionOf<'match'> = {
  id: 'q-shapes',
  kind: 'match',
  stem: 'What makes each shape strong?',
  points: 200,
  teacherNote: '',
  sources: [item('s-f', 'Folded strip'), item('s-a', 'Arch'), item('s-t', 'Tube')],
  targets: [
    item('m-h', 'It is high, so it hardly bends'),
    item('m-q', 'All of it is squeezed'),
    item('m-r', 'It is alike in all directions'),
  ],
  pairs: [
    ['s-f', 'm-h'],
    ['s-a', 'm-q'],
    ['s-t', 'm-r'],
  ],
};

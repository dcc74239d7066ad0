import {
  type Board,
  type Checkpoint,
  type Fork,
  type Lesson,
  type MaterialPart,
  type Stop,
  type Tile,
  type UntimedPart,
  untimedWindow,
} from '@semita/core/lesson';
import { checkpoint, choice, written } from './bridge-lesson.ts';
import { ownWeight } from './bridge-questions.ts';

/** The unit's lesson with ways: the beam for all, an aside for those who need it, then the arch or the cable. */
export function chooseLesson(materialId: string): Lesson {
  const clip = (id: string, title: string, inMs: number, outMs: number, stops: readonly Stop[]): MaterialPart => ({
    ...{ id, kind: 'clip', title, materialId, inMs, outMs, stops },
  });
  const whichWay: Fork = {
    id: 'stop-which-way',
    kind: 'fork',
    atMs: 72_000,
    prompt: 'A wider gap asks for another bridge. Which one do you want to follow?',
    choices: [
      { id: 'way-arch', words: 'The arch, made of stone', to: { kind: 'part', partId: 'part-arch' } },
      { id: 'way-cable', words: 'The suspension bridge, hung on a cable', to: { kind: 'part', partId: 'part-cable' } },
    ],
  };
  const tile = (id: string, title: string, does: Tile['does'], colour: Tile['colour'], minutes: number): Tile => ({
    ...{ id: `tile-${id}`, title, does, colour, minutes, worth: 1 },
    to: { kind: 'part', partId: `part-${id}` },
  });
  /** What lies behind a tile: one question, and back to the board. */
  const behind = (id: string, title: string, question: Checkpoint['questions'][0]): UntimedPart => ({
    ...{ id: `part-${id}`, kind: 'task', title, ...untimedWindow, next: { kind: 'back' } },
    stops: [checkpoint(`stop-${id}`, 0, [question])],
  });
  const board: Board = {
    ...{ id: 'stop-board', kind: 'board', atMs: 0, arrangement: 'grid', columns: 2 },
    prompt: 'Your bridge is ready in your head. Show what you know about it.',
    tiles: [
      tile('draw', 'Draw where it is squeezed and where it is pulled', 'draw', 'slate', 10),
      tile('calculate', 'Calculate how many times its own weight it holds', 'calculate', 'spruce', 5),
      tile('explain', 'Explain it to a younger child', 'write', 'marigold', 8),
      tile('build', 'Build it from one sheet of paper', 'make', 'main', 20),
    ],
    need: { kind: 'any', count: 2 },
  };
  return {
    title: 'Which bridge would you build?',
    parts: [
      clip('part-beam', 'The beam', 38_394, 72_000, [
        {
          ...checkpoint('stop-beam', 61_926, [
            choice('q-beam-side', 'A truck stands on a beam. Which side of the beam is pulled?', 100, [
              ['The upper side', false, 'It gets shorter there: that is a squeeze.'],
              ['The lower side', true, 'Yes. It gets longer there.'],
              ['Both sides', false, 'One gets longer, the other gets shorter.'],
            ]),
            choice('q-beam-between', 'What runs between the two sides?', 100, [
              ['A layer that is neither squeezed nor pulled', true, 'Yes: the neutral axis.'],
              ['The layer that is pulled most', false, 'The pull is greatest at the very edge.'],
              ['Nothing: a beam is hollow', false, 'Some are. Even then the question stands.'],
            ]),
          ]),
          rules: [
            {
              id: 'rule-slower',
              when: { kind: 'scoreBelow', percent: 60 },
              to: { kind: 'part', partId: 'part-slower' },
            },
          ],
        },
        whichWay,
      ]),
      {
        ...clip('part-slower', 'Squeeze and pull, once more', 11_244, 32_400, [
          checkpoint('stop-slower', 32_170, [
            choice('q-slower', 'You pull a rope tight. What is in the rope?', 100, [
              ['Tension', true, 'Yes: it is pulled.'],
              ['Compression', false, 'Compression would squeeze it, and a rope would go slack.'],
            ]),
          ]),
        ]),
        practice: true,
        next: { kind: 'back' },
      },
      {
        ...clip('part-arch', 'The arch', 72_133, 104_000, [
          checkpoint('stop-arch', 103_308, [
            choice('q-arch', 'What holds the feet of an arch together?', 200, [
              ['Abutments that push back', true, 'Yes. Without them it spreads and falls.'],
              ['The weight of the road', false, 'That is what drives them apart.'],
              ['Mortar between the blocks', false, 'Arches without any have stood for two thousand years.'],
            ]),
          ]),
        ]),
        next: { kind: 'part', partId: 'part-compare' },
      },
      clip('part-cable', 'The suspension bridge', 104_208, 133_600, [
        checkpoint('stop-cable', 126_913, [
          choice('q-cable', 'What is the anchorage for?', 100, [
            ['It holds the end of the cable back.', true, 'Yes: the cable pulls at it day and night.'],
            ['It keeps ships away.', false, 'It stands on land, behind the towers.'],
            ['It carries the deck.', false, 'The hangers do that.'],
          ]),
        ]),
      ]),
      clip('part-compare', 'Side by side', 158_658, 191_400, [
        checkpoint('stop-compare', 189_191, [
          written(
            'q-compare',
            'Your bridge and the other one: how does the load reach the ground?',
            300,
            'In the arch along the curve into the abutments; in the suspension bridge through hangers, cable, towers and anchorage.',
          ),
        ]),
      ]),
      { id: 'part-board', kind: 'board', title: 'Show what you know', ...untimedWindow, stops: [board] },
      behind('draw', 'A drawing of it', {
        ...{ id: 'q-draw-bridge', kind: 'drawing', points: 200, teacherNote: '', ground: 'grid' },
        stem: 'Draw your bridge with a load on it. Mark what is squeezed in orange and what is pulled in blue.',
      }),
      behind('calculate', 'Calculate it', ownWeight),
      behind(
        'explain',
        'Explain it',
        written(
          'q-explain',
          'A younger child asks why your bridge does not fall down. What do you say?',
          200,
          'The load goes through the deck to the supports, by squeeze or by pull, and the ground pushes back.',
        ),
      ),
      {
        ...{
          id: 'part-build',
          kind: 'task',
          title: 'Build it',
          ...untimedWindow,
          practice: true,
          next: { kind: 'back' },
        },
        stops: [
          {
            ...{ id: 'stop-build', kind: 'pause', atMs: 0 },
            note: 'Take one sheet of paper and two piles of books, 20 cm apart. Build your bridge, and put coins on it until it falls. Write the number on the sheet.',
          },
        ],
      },
    ],
  };
}

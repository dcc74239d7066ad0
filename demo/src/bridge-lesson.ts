import type { Checkpoint, Lesson, Pause } from '@semita/core/lesson';
import type { ChoiceOption, ChoiceQuestion } from '@semita/core/question';
import {
  archFeet,
  type BridgePictures,
  beamSides,
  bridgeParts,
  drawPath,
  loadPath,
  ownWeight,
  sureAfter,
  sureBefore,
  wouldBuild,
} from './bridge-questions.ts';

/** [text, correct, feedback] */
type Row = readonly [string, boolean, string];

const options = (id: string, rows: readonly Row[]): ChoiceOption[] =>
  rows.map(([text, correct, feedback], index) => ({ id: `${id}-${index}`, text, correct, feedback }));

export function choice(id: string, stem: string, points: number, rows: readonly Row[]) {
  const multiple = rows.filter(([, correct]) => correct).length > 1;
  return { id, kind: 'choice' as const, stem, points, multiple, options: options(id, rows), teacherNote: '' };
}

/** A slip of its teacher: the wrong option is ticked. */
function withSlip(question: ChoiceQuestion): ChoiceQuestion {
  return {
    ...question,
    options: question.options.map((option, index) => ({ ...option, correct: index === 0 })),
  };
}

export function written(id: string, stem: string, points: number, modelAnswer: string) {
  return { id, kind: 'extendedText' as const, stem, points, modelAnswer, teacherNote: '' };
}

export const checkpoint = (
  id: string,
  atMs: number,
  questions: Checkpoint['questions'],
  required = true,
): Checkpoint => ({
  id,
  kind: 'checkpoint',
  atMs,
  required,
  questions,
});

const look: Pause = {
  id: 'stop-arrows',
  kind: 'pause',
  atMs: 37_744,
  note: 'Look at the arrows for a moment. Which colour squeezes, and which one pulls? You will meet them in every picture from here on.',
};

/** The unit's lesson on the film: seven stops, each where a sentence ends, and questions of many kinds. */
export function bridgeLesson(materialId: string, lengthMs: number, pictures: BridgePictures): Lesson {
  return {
    title: 'How bridges carry load',
    parts: [
      {
        id: 'part-film',
        kind: 'clip',
        title: 'How bridges carry load',
        materialId,
        inMs: 0,
        outMs: lengthMs,
        stops: [
          look,
          checkpoint('stop-beam', 53_446, [
            choice(
              'q-beam',
              'A truck stands in the middle of a beam bridge. What happens at the top of the beam?',
              100,
              [
                [
                  'It gets shorter: it is in compression.',
                  true,
                  'Yes. The beam sags, so its top side is squeezed together.',
                ],
                [
                  'It gets longer: it is in tension.',
                  false,
                  'That is the bottom. Bend a ruler and look at both its sides.',
                ],
                ['Nothing: the load goes past it.', false, 'Every part of the beam that bends feels the load.'],
              ],
            ),
            beamSides,
            sureBefore,
          ]),
          checkpoint('stop-span', 67_994, [
            withSlip(
              choice('q-span', 'A beam is made twice as long. How much harder does its own weight bend it?', 100, [
                ['Twice as hard', false, ''],
                ['Four times as hard', true, ''],
                ['Just as hard', false, 'Listen to the last sentence once more.'],
              ]),
            ),
            ownWeight,
          ]),
          checkpoint('stop-arch', 103_558, [
            choice('q-arch', 'Which of these are true of a stone arch?', 200, [
              ['Almost every part of it is squeezed.', true, ''],
              ['Its feet push outward on the ground.', true, 'Yes. Engineers call this push thrust.'],
              [
                'The flatter it is, the smaller the push at its feet.',
                false,
                'It is the other way round: flatter means more thrust.',
              ],
              ['It stands safely without abutments.', false, 'Without them the feet slide apart, and the arch falls.'],
            ]),
            archFeet(pictures.arches),
          ]),
          checkpoint('stop-suspension', 127_163, [
            loadPath,
            {
              ...written(
                'q-suspension',
                'Now say it in your own words: how does the weight of the car get down to the ground?',
                300,
                'Deck, hangers (tension), main cable (tension), towers (compression) and anchorages, ground.',
              ),
              wordBox: ['hangers', 'main cable', 'towers', 'anchorages', 'tension', 'compression'],
              starters: ['The deck', 'First'],
              wordRange: { min: 15, max: 80 },
            },
          ]),
          checkpoint('stop-stayed', 158_008, [
            choice('q-stayed', 'Why does a cable-stayed bridge need no giant anchorages?', 100, [
              ['Its cables are not in tension.', false, 'They are: each of them lifts the deck.'],
              ['Cables on one side balance cables on the other.', true, 'Yes, and the deck between them is squeezed.'],
              ['Its deck is so light that it floats.', false, 'It is carried, not floating.'],
            ]),
            bridgeParts(pictures.stayed),
            written(
              'q-sketch',
              'Which part of it is squeezed along its length, and why?',
              200,
              'The deck: every cable pulls it toward the tower.',
            ),
          ]),
          checkpoint(
            'stop-own',
            189_300,
            [
              written(
                'q-own',
                'Think of a bridge near you. Where is the squeeze, where is the pull, and how does the load reach the ground?',
                200,
                'Any bridge: names its kind, says what is in compression, what in tension, and follows the load down.',
              ),
              drawPath(pictures.beam),
              sureAfter,
              wouldBuild,
            ],
            false,
          ),
        ],
      },
    ],
  };
}

/** A draft that is not ready: its teacher has just begun. */
export function forcesDraft(materialId: string): Lesson {
  return {
    title: 'Two forces, a first look',
    parts: [
      {
        id: 'part-forces',
        kind: 'clip',
        title: 'Two forces',
        materialId,
        inMs: 11_044,
        outMs: 71_933,
        stops: [
          checkpoint('stop-first', 22_095, [
            choice('q-first', 'Which material cracks when it is pulled?', 100, [
              ['Stone', false, ''],
              ['Steel', false, ''],
            ]),
          ]),
        ],
      },
    ],
  };
}

/** What students write, the better first. By question. */
export const writtenAnswers: Readonly<Record<string, readonly string[]>> = {
  'q-suspension': [
    'The deck hangs on the hangers, so they are pulled. They pull on the big cable, which is pulled too. The cable presses on the towers, and they push the weight down into the ground. At the ends the anchorages hold the cable.',
    'Deck, then hangers, then main cable, then the towers, then ground. The cable also goes to the anchors.',
    'The hangers carry the deck and the cable carries the hangers and the towers stand on the ground.',
    'it goes through the cables to the tower',
    'The cable holds everything up.',
  ],
  'q-sketch': [
    'The deck, because every cable pulls it towards the tower from both sides.',
    'The deck is squeezed because the cables pull it to the tower',
    'the deck',
    'The tower is squeezed because it is high.',
  ],
  'q-rope': [
    'The rope is pulled along its whole length, and the posts are squeezed down into the ground.',
    'the rope is pulled and the posts get squeezed',
    'The rope.',
  ],
  'q-own': [
    'The footbridge by the library is a beam bridge. The top is squeezed and the bottom is pulled, and the two ends stand on concrete that takes the weight down.',
    'There is a stone arch over the brook. It is all squeezed and the banks push back at the feet.',
    'The railway bridge. I think the sides are pulled?',
  ],
};

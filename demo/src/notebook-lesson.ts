import type { Lesson, Stop } from '@semita/core/lesson';
import { anchorAt, anchorTimeMs, type ReadingBlock, readingLengthMs, readingScript } from '@semita/core/reading';
import { checkpoint, choice, written } from './bridge-lesson.ts';
import { keepersWord } from './bridge-questions.ts';

/** The unit's lesson on the reading: stops behind paragraphs, one of them at words inside one. */
export function notebookLesson(materialId: string, blocks: readonly ReadingBlock[]): Lesson {
  const lines = readingScript(blocks);
  const behind = (begins: string, phrase?: string): Pick<Stop, 'atMs' | 'anchor'> => {
    const gap = lines.findIndex((line) => line.text?.startsWith(begins)) + 1;
    const anchor = { ...anchorAt(lines, gap), ...(phrase ? { phrase } : {}) };
    return { atMs: anchorTimeMs(lines, anchor) ?? 0, anchor };
  };
  return {
    title: 'A bridge-keeper’s notebook',
    parts: [
      {
        id: 'part-notebook',
        kind: 'reading',
        title: 'A bridge-keeper’s notebook',
        materialId,
        inMs: 0,
        outMs: readingLengthMs(blocks),
        stops: [
          {
            ...checkpoint('stop-plank', 0, [
              choice('q-plank', 'Where does the old plank begin to split, and why?', 100, [
                [
                  'Along its upper side, because that is squeezed.',
                  false,
                  'The upper side gets shorter. Wood bears that well.',
                ],
                ['Along its lower side, because that is pulled.', true, 'Yes. What is pulled opens.'],
                [
                  'In the middle, because the keeper stands there.',
                  false,
                  'It bends most there; but which side opens?',
                ],
              ]),
            ]),
            ...behind('Wood splits'),
          },
          {
            id: 'stop-feet',
            kind: 'pause',
            note: 'Put your hands flat on the table, fingertips against fingertips, and press down on your knuckles. What do your hands want to do?',
            ...behind('An arch pushes', 'pushes outward at its feet'),
          },
          {
            ...checkpoint('stop-rope', 0, [
              written(
                'q-rope',
                'In the keeper’s rope between two posts: what is pulled, and what is squeezed?',
                200,
                'The rope is pulled; the posts are squeezed.',
              ),
              keepersWord,
            ]),
            ...behind('Pull a rope'),
          },
          {
            ...checkpoint('stop-paper', 0, [
              choice('q-paper', 'Which paper bridge held the most for its own weight?', 100, [
                ['The flat strip', false, '12 g held by 4 g: three times its own weight.'],
                ['The folded beam', false, '180 ÷ 4 is 45. Compare it with the arch.'],
                ['The arch', true, 'Yes: 240 ÷ 5 is 48 times its own weight.'],
              ]),
            ]),
            ...behind('The folded strip'),
          },
        ],
      },
    ],
  };
}

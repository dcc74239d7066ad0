import { deckScript, type Slide } from '@semita/core/deck';
import type { Lesson } from '@semita/core/lesson';
import { anchorAt, anchorTimeMs } from '@semita/core/reading';
import { checkpoint, choice } from './bridge-lesson.ts';
import { shapesMatch } from './bridge-questions.ts';

/** The unit's lesson on slides: two stops, each behind a slide. */
export function paperBridgeLesson(materialId: string, slides: readonly Slide[]): Lesson {
  const lines = deckScript(slides);
  const behind = (number: number) => {
    const anchor = anchorAt(lines, number);
    return { atMs: anchorTimeMs(lines, anchor) ?? 0, anchor };
  };
  return {
    title: 'Testing a paper bridge',
    parts: [
      {
        id: 'part-slides',
        kind: 'deck',
        title: 'Testing a paper bridge',
        materialId,
        inMs: 0,
        outMs: lines.at(-1)?.endMs ?? 1,
        stops: [
          {
            id: 'stop-sheet',
            kind: 'pause',
            note: 'Take your sheet of paper now. Which shape will you try first?',
            ...behind(2),
          },
          {
            ...checkpoint('stop-count', 0, [
              choice('q-count', 'When do you write down the number of washers?', 100, [
                ['Before the first one is in the cup', false, 'Then it is nought for everybody.'],
                ['At the last number before the bridge fell', true, 'Yes: that is what it held.'],
                ['When all forty are in the cup', false, 'A bridge that holds forty has won; most do not.'],
              ]),
              shapesMatch,
            ]),
            ...behind(4),
          },
        ],
      },
    ],
  };
}

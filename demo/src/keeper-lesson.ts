import { type Lesson, untimedWindow } from '@semita/core/lesson';
import { checkpoint, choice, written } from './bridge-lesson.ts';

/** What opens once the notebook is read: nothing to watch, two questions about one's own surroundings. */
export const keeperLesson: Lesson = {
  title: 'Be the keeper',
  parts: [
    {
      id: 'part-keeper',
      kind: 'task',
      title: 'Be the keeper',
      ...untimedWindow,
      stops: [
        checkpoint('stop-look', 0, [
          choice('q-look-first', 'A plank bridge creaks in the middle. Where does its keeper look first?', 100, [
            ['At the lower side of the planks.', true, 'There they are pulled, and there they open.'],
            ['At the paint of the railing.', false, 'Paint bears nothing.'],
            ['At the upper side of the planks.', false, 'That side is squeezed. Wood bears that well.'],
          ]),
          written(
            'q-own-bridge',
            'Name something near you that carries a load like a plank. Which side of it is pulled?',
            200,
            'A shelf, a bench, a branch: the lower side, where it rests at both ends.',
          ),
        ]),
      ],
    },
  ],
};

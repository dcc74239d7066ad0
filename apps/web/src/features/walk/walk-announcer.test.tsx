// @vitest-environment jsdom
import { allShown } from '@semita/core/assignment';
import { beginAttempt, type Terms } from '@semita/core/attempt';
import { learnerView } from '@semita/core/learner';
import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { createContext } from '../../../../../packages/core/src/own-lesson/create-context.ts';
import { takeIn } from '../../../../../packages/core/src/reducer/take-in.ts';
import { bridgeLesson, createSitting, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { show } from '../../test/page.tsx';
import { WalkAnnouncer } from './walk-announcer.tsx';

const terms: Terms = { skipping: false, rewindAtStops: true, maxRate: 2 };

test('what came of an answer, and which stop is open, is said once it is so', () => {
  const event = createSitting('a', 1_000_000);
  let state = beginAttempt({ begunAt: 1_000_000, secret: 'of a test' });
  const snapshot = () => ({ lesson: learnerView(bridgeLesson, state, terms, allShown).lesson, state });
  const { showAgain } = show(<WalkAnnouncer snapshot={snapshot()} />);
  const said: string[] = [];
  for (const body of wholeWalk) {
    state = takeIn(createContext(bridgeLesson, terms), state, event(body)).state;
    showAgain(<WalkAnnouncer snapshot={snapshot()} />);
    const words = screen.getByRole('status').textContent ?? '';
    if (words !== said.at(-1)) said.push(words);
  }
  expect(said).toEqual([
    '',
    'Stop 1 of 3: Open',
    'Stop 1 of 3: All points, 2 of 2',
    'Stop 2 of 3: Open',
    'Stop 2 of 3: Noted',
    'Stop 3 of 3: Open',
    'Stop 3 of 3: Handed in, not marked yet',
  ]);
});

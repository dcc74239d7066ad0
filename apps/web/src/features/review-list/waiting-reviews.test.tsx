// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { v7 } from 'uuid';
import { expect, test } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { reviewKey, sendToDoor } from '../outbox/doors.ts';
import WaitingReviews from './waiting-reviews.tsx';

const waiting = { classId: 'amber', className: '8 Amber', questionCount: 3, answeringMs: 135_000, begun: false };

test('says what comes back today, and how long it takes', async () => {
  const reviews = [waiting, { ...waiting, classId: 'cobalt', className: '8 Cobalt', begun: true, answeringMs: null }];
  show(<WaitingReviews reviews={reviews} />);
  const begin = await screen.findByRole('link', { name: 'Begin: Come back to it, 8 Amber' });
  expect(begin.getAttribute('href')).toBe('/review/amber');
  expect(screen.getByText('8 Amber · 3 questions, about 2 minutes')).toBeTruthy();
  expect(screen.getByText('8 Cobalt · 3 questions left')).toBeTruthy();
  expect(screen.getByRole('link', { name: /^Go on: Come back to it, 8 Cobalt/ })).toBeTruthy();
});

test('what waits on the device goes to the door it is for', async () => {
  const sent: string[] = [];
  const outcome = { outcomes: [], version: 1, now: 0 };
  standIn({
    takeInReview: ({ params }) => {
      sent.push(`round ${params.roundId}`);
      return outcome;
    },
    takeInEvents: ({ params }) => {
      sent.push(`attempt ${params.attemptId}`);
      return outcome;
    },
  });
  const event = { type: 'opened' as const, id: v7(), sittingId: v7(), n: 0, at: 0 };
  await sendToDoor(reviewKey('r1'), [event]);
  await sendToDoor('a1', [event]);
  expect(sent).toEqual(['round r1', 'attempt a1']);
});

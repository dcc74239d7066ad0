// @vitest-environment jsdom
import type { ReviewOverview } from '@semita/core/contract';
import { screen, within } from '@testing-library/react';
import { Outlet, Route, Routes } from 'react-router';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { Component as ReviewsRoute } from './reviews-route.tsx';

vi.mock('../../ui/charts/count-chart.tsx', () => ({ default: () => null }));

const band = (fromDays: number, toDays: number | null, count: number, share: number | null) => ({
  ...{ fromDays, toDays, count, share },
});
const overview: ReviewOverview = {
  settings: { isOn: false, maxQuestions: 5, usesBank: true, counts: false },
  ...{ day: '2026-12-03', runs: true },
  targets: [
    { key: 'b.1', code: 'B.1', words: 'Tells the squeezed side', questionCount: 2, stayed: band(0, null, 6, 0.5) },
    { key: 'b.2', code: 'B.2', words: 'Draws forces', questionCount: 0, stayed: band(0, null, 0, null) },
  ],
  students: [
    { id: 's1', displayName: 'Ada', today: null, nextDay: '2026-12-03', back: [{ place: 0, level: 'notMet' }] },
    { id: 's2', displayName: 'Bo', today: 'done', nextDay: '2026-12-06', back: [{ place: 1, level: 'nearly' }] },
    { id: 's3', displayName: 'Cleo', today: null, nextDay: null, back: [] },
  ],
  stayed: { all: band(0, null, 8, 0.75), bands: [band(1, 3, 6, 0.8), band(4, 10, 2, null)] },
  leftOut: [{ source: 'bank:q9', words: 'Which **beam**?' }],
};

function open(one: ReviewOverview = overview) {
  const asked: unknown[] = [];
  let now = one;
  standIn({
    readReviews: () => now,
    setReviews: ({ body }) => {
      asked.push(body);
      now = { ...one, settings: body };
      return now;
    },
    leaveOutOfReviews: ({ body }) => {
      asked.push(body);
      return { ...one, leftOut: [] };
    },
    previewReview: () => ({
      day: '2026-12-03',
      questions: [
        {
          source: 'question:q1',
          stem: 'Which side?',
          targets: ['b.1'],
          from: 'How bridges carry load',
        },
        { source: 'bank:q2', stem: 'And below?', targets: ['b.1'], from: null },
      ],
      answers: [{ words: 'Which load?', key: 'b.1', day: '2026-12-01', earned: 100, possible: 100, afterDays: 4 }],
    }),
  });
  const page = show(
    <Routes>
      <Route element={<Outlet context={{ id: 'amber', name: '8 Amber' }} />}>
        <Route path="/classes/:classId/come-back" element={<ReviewsRoute />} />
      </Route>
    </Routes>,
    '/classes/amber/come-back',
  );
  return { ...page, asked };
}

test('says who is concerned, when, and what there is nothing to ask for', async () => {
  open();
  const ada = within((await screen.findByRole('button', { name: 'Ada' })).closest('tr') as HTMLElement);
  expect(ada.getByText('Waits')).toBeTruthy();
  const bo = within(screen.getByRole('button', { name: 'Bo' }).closest('tr') as HTMLElement);
  expect([bo.getByText('Done'), bo.getByText('Sun 6 Dec')].length).toBe(2);
  expect(screen.queryByText('Cleo')).toBeNull();
  expect(screen.getByText('Nothing to ask')).toBeTruthy();
  expect(screen.getByText('Of 8 questions that came back, 75% was still known.')).toBeTruthy();
  expect(screen.getByText('too few to say')).toBeTruthy();
  expect(screen.getByText('asked again 6 times, 50% still known')).toBeTruthy();
});

test('is turned on, and made to count', async () => {
  const { user, asked } = open();
  await user.click(await screen.findByRole('checkbox', { name: 'Let them come back' }));
  expect(asked).toEqual([{ ...overview.settings, isOn: true }]);
  await user.click(screen.getByRole('checkbox', { name: /^Answers tell of the targets/ }));
  expect(asked.at(-1)).toMatchObject({ isOn: true, counts: true });
});

test('shows what would be asked, leaves one out, and asks it again', async () => {
  const { user, asked } = open();
  await user.click(await screen.findByRole('button', { name: 'Ada' }));
  const drawer = within(await screen.findByRole('dialog', { name: 'What comes back to Ada' }));
  expect(await drawer.findByText('B.1 · How bridges carry load')).toBeTruthy();
  expect(drawer.getByText('B.1 · Question bank')).toBeTruthy();
  expect(drawer.getByText('Tue 1 Dec · B.1 · 1 of 1 · after 4 days')).toBeTruthy();
  await user.click(drawer.getByRole('button', { name: 'Leave out: And below?' }));
  expect(asked).toEqual([{ source: 'bank:q2', isLeftOut: true }]);
});

test('what is left out is asked again', async () => {
  const { user, asked } = open();
  await user.click(await screen.findByRole('button', { name: 'Ask it again: Which beam?' }));
  expect(asked).toEqual([{ source: 'bank:q9', isLeftOut: false }]);
});

test('who stands in sees it, and changes nothing', async () => {
  open({ ...overview, runs: false });
  expect(await screen.findByRole('button', { name: 'Ada' })).toBeTruthy();
  expect(screen.queryByRole('checkbox')).toBeNull();
  expect(screen.queryByRole('button', { name: /^Ask it again/ })).toBeNull();
});

test('without targets it says what to do', async () => {
  open({ ...overview, targets: [], students: [] });
  expect(await screen.findByText('No question that this class was given names a target')).toBeTruthy();
});

// @vitest-environment jsdom
import type { Series, SeriesCell } from '@semita/core/contract';
import { screen, within } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { Component as SeriesRoute } from './series-route.tsx';

const now = Date.UTC(2026, 11, 1);
const cell: NonNullable<SeriesCell> = {
  ...{ begun: false, excused: false, handedInAt: null, dueAt: null, progress: 0 },
  ...{ earned: 0, possible: 900, toMark: 0, waits: false },
};
const done = { ...cell, begun: true, handedInAt: now, progress: 1, earned: 450 };
const step = (assignmentId: string, title: string, afterPercent: number | null) => ({
  ...{ assignmentId, title, afterPercent, className: '8 Amber', isExtra: false },
  ...{ opensAt: null, dueAt: null, closesAt: null },
});
const series: Series = {
  ...{ id: 's', title: 'Bridges', timeZone: 'UTC', runs: true, now },
  steps: [step('a', 'Load', null), step('b', 'Span', 0), step('c', 'Arch', 70)],
  students: [
    {
      studentId: '1',
      displayName: 'Elin',
      done: 1,
      count: 3,
      cells: [done, { ...cell, begun: true, progress: 0.4 }, null],
    },
    {
      ...{ studentId: '2', displayName: 'Omar', done: 1, count: 3 },
      cells: [
        { ...done, toMark: 1 },
        { ...cell, dueAt: now - 1 },
        { ...cell, waits: true },
      ],
    },
    { studentId: '3', displayName: 'Tuva', done: 0, count: 2, cells: [{ ...cell, excused: true }, cell, cell] },
  ],
};

const open = (given: Series = series) => {
  const sent = vi.fn();
  standIn({
    readSeries: () => given,
    changeSeries: ({ body }) => {
      sent(body);
      return undefined;
    },
  });
  const page = (
    <Routes>
      <Route path="/series/:seriesId" element={<SeriesRoute />} />
    </Routes>
  );
  return { sent, ...show(page, '/series/s') };
};

test('says of every student where they are, in words', async () => {
  open();
  const words = async (name: string) =>
    within((await screen.findByRole('rowheader', { name })).closest('tr') as HTMLElement)
      .getAllByRole('cell')
      .map(({ textContent }) => textContent);
  expect(await words('Elin')).toEqual(['1 of 3', '4.5 of 9 points', '40% of the way', 'Does not have it']);
  expect(await words('Omar')).toEqual(['1 of 3', 'To mark', 'Overdue', 'Not open yet']);
  expect(await words('Tuva')).toEqual(['0 of 2', 'Excused', 'Not begun', 'Not begun']);
  // Who is excused is not waited for.
  expect(screen.getByRole('progressbar', { name: 'Load: 2 of 2' })).toBeTruthy();
  expect(screen.getByText('Opens with 70 % of the points before')).toBeTruthy();
});

test('its order and what waits for what are changed, and put back', async () => {
  const { sent, user } = open();
  await user.click(await screen.findByRole('button', { name: 'Change the series' }));
  await user.click(screen.getByRole('button', { name: 'Move “Arch” up' }));
  await user.selectOptions(screen.getAllByLabelText('Opens')[0] as HTMLElement, 'By its date');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await vi.waitFor(() => expect(sent).toHaveBeenCalled());
  expect(sent.mock.calls[0]?.[0]).toEqual({
    title: 'Bridges',
    steps: [
      { assignmentId: 'a', afterPercent: null },
      { assignmentId: 'c', afterPercent: null },
      { assignmentId: 'b', afterPercent: 0 },
    ],
  });
});

test('who does not run all of it only follows it', async () => {
  open({ ...series, runs: false });
  expect(await screen.findByRole('heading', { name: 'Bridges' })).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Change the series' })).toBeNull();
});

test('an empty one says so', async () => {
  open({ ...series, students: [] });
  expect(await screen.findByText('Nobody has it any more.')).toBeTruthy();
});

// @vitest-environment jsdom
import type { Gradebook } from '@semita/core/contract';
import { screen, within } from '@testing-library/react';
import { Outlet, Route, Routes } from 'react-router';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { type Answers, Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as GradebookRoute } from './gradebook-route.tsx';

const column = (assignmentId: string, title: string, category: string) => ({
  ...{ assignmentId, title, category, isExtra: false, worth: 1_000, day: '2026-11-20' },
});
const handedIn = (earned: number) => ({ state: 'handedIn' as const, earned, possible: 1_000 });
const missing = { state: 'notBegun' as const, earned: 0, possible: 1_000, isMissing: true as const };

const book: Gradebook = {
  rules: {
    ...{ byWeight: true, missing: 'zero', extras: 'onTop', decimals: 1 },
    categories: [
      { name: 'Homework', weight: 2_500, dropLowest: 1 },
      { name: 'Projects', weight: 7_500, dropLowest: 0 },
    ],
    scale: {
      kind: 'steps',
      steps: [
        { name: 'Secure', from: 8_000 },
        { name: 'Not yet', from: 0 },
      ],
    },
  },
  // As they were given; a category stands together all the same.
  columns: [
    column('a1', 'Beams', 'Homework'),
    column('a2', 'A bridge of paper', 'Projects'),
    column('a3', 'Arches', 'Homework'),
  ],
  students: [
    { studentId: 's1', displayName: 'Ada', cells: [handedIn(700), handedIn(900), handedIn(500)] },
    { studentId: 's2', displayName: 'Bo', cells: [handedIn(1_000), missing, null] },
  ],
  ...{ version: 3, runs: true, timeZone: 'UTC', locale: 'en', terms: [] },
  kept: [{ id: 'k1', note: 'Before the reports', at: Date.parse('2026-11-26T10:00:00Z'), by: 'Ms. Lindqvist' }],
};

function open(answers: Answers = {}, one: Gradebook = book) {
  const server = standIn({ readGradebook: () => one, listGradeOverrides: () => [], ...answers });
  const context = { id: 'amber' };
  const shown = show(
    <Routes>
      <Route element={<Outlet context={context} />}>
        <Route path="/classes/:classId/gradebook" element={<GradebookRoute />} />
      </Route>
    </Routes>,
    '/classes/amber/gradebook',
  );
  return { ...server, ...shown };
}

test('what stands under one category stands together, with its weight; each total has its name', async () => {
  open();
  const table = await screen.findByRole('table');
  expect(
    within(table)
      .getAllByRole('columnheader')
      .map(({ textContent }) => textContent),
  ).toEqual([
    ...['Student', 'Total', 'Homework · 25', 'Projects · 75'],
    ...['Beamsof 10', 'Archesof 10', 'A bridge of paperof 10'],
  ]);
  // 25 × 70 % + 75 × 90 %; 25 × 100 %
  expect(screen.getByRole('button', { name: /^Ada: 85% · Secure/ })).toBeTruthy();
  expect(screen.getByRole('button', { name: /^Bo: 25% · Not yet/ })).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Bo, A bridge of paper: not begun, missing' }).textContent).toBe('missing');
  expect(screen.getByRole('button', { name: 'Ada, Arches: 5 of 10, left out' })).toBeTruthy();
});

test('a total tells step by step how it comes about', async () => {
  const { user } = open();
  await user.click(await screen.findByRole('button', { name: /^Ada: 85%/ }));
  const drawer = await screen.findByRole('dialog', { name: 'Ada' });
  expect(drawer.textContent).toContain('7 of 10 points make 70%');
  expect(drawer.textContent).toContain('left out, as one of the lowest');
  expect(drawer.textContent).toContain('By weight: (70% × 25 + 90% × 75) ÷ 100 make 85%.');
  expect(drawer.textContent).toContain('That is called “Secure”.');
});

test('a number is given by hand with a reason, and not without', async () => {
  const given = vi.fn();
  const { user } = open({ overrideGrade: ({ body }) => given(body) });
  await user.click(await screen.findByRole('button', { name: /^Bo, A bridge of paper/ }));
  const step = within(
    (await screen.findAllByRole('listitem')).find((one) =>
      one.textContent?.includes('A bridge of paper'),
    ) as HTMLElement,
  );
  await user.click(step.getByRole('button', { name: 'Give a number by hand …' }));
  const give = step.getByRole<HTMLButtonElement>('button', { name: 'Give it' });
  expect(give.disabled).toBe(true);
  const points = step.getByLabelText('Points, of 10');
  await user.clear(points);
  await user.type(points, '8.5');
  await user.type(step.getByLabelText('Why'), 'Told me in person');
  await user.click(give);
  expect(given).toHaveBeenCalledWith({ assignmentId: 'a2', studentId: 's2', earned: 850, reason: 'Told me in person' });
});

test('rules are set as they were seen; weights of zero are told before and after', async () => {
  const set = vi.fn();
  const { user } = open({
    changeGradebookRules: ({ body }) => {
      set(body);
      throw new Refusal('gradebookMoved');
    },
  });
  await user.click(await screen.findByRole('button', { name: 'How it is counted …' }));
  const dialog = within(await screen.findByRole('dialog'));
  for (const name of ['Homework', 'Projects']) {
    const weight = dialog.getByLabelText(`Weight of ${name}`);
    await user.clear(weight);
    await user.type(weight, '0');
  }
  expect(dialog.getByText(/All weights are zero/)).toBeTruthy();
  await user.type(dialog.getByLabelText('Weight of Homework'), '12.5');
  await user.selectOptions(dialog.getByLabelText('What it is called'), 'Numbers 0 to 20');
  await user.click(dialog.getByRole('button', { name: 'Count like this' }));
  expect(set).toHaveBeenCalledWith({
    version: 3,
    rules: {
      ...book.rules,
      categories: [
        { name: 'Homework', weight: 1_250, dropLowest: 1 },
        { name: 'Projects', weight: 0, dropLowest: 0 },
      ],
      scale: { kind: 'numbers', at0: 0, at100: 20, decimals: 1 },
    },
  });
  // Somebody was quicker: what was set stays in sight.
  expect(screen.getByRole('dialog')).toBeTruthy();
});

test('a version that was kept is read and not changed', async () => {
  const { user } = open({
    readKeptGradebook: () => ({
      ...{ id: 'k1', note: 'Before the reports', at: 0, by: 'Ms. Lindqvist', rules: book.rules, columns: book.columns },
      students: [{ studentId: 's1', displayName: 'Ada', cells: [handedIn(100), null, null] }],
    }),
  });
  await user.selectOptions(await screen.findByLabelText('Which version'), 'k1');
  await user.click(await screen.findByRole('button', { name: /^Ada: 10%/ }));
  const drawer = within(await screen.findByRole('dialog'));
  expect(drawer.queryByRole('button', { name: /by hand/ })).toBeNull();
  expect(screen.queryByText('How it is counted …')).toBeNull();
});

test('nothing given, nobody there, nobody’s to change', async () => {
  open({}, { ...book, columns: [], students: [] });
  expect(await screen.findByText('Nothing was given to this class yet')).toBeTruthy();
});

test('who stands in reads it', async () => {
  open({}, { ...book, runs: false });
  expect(await screen.findByRole('table')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'How it is counted …' })).toBeNull();
});

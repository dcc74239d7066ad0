// @vitest-environment jsdom
import type { TodoItem } from '@semita/core/contract';
import { screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as DoneRoute } from './done-route.tsx';
import { NoticeBell } from './notice-bell.tsx';
import { Component as TodoRoute } from './todo-route.tsx';

const now = Date.UTC(2026, 3, 14, 9);
const hour = 3_600_000;
const base: TodoItem = {
  ...{
    assignmentId: 'a',
    title: 'Forces in bridges',
    className: '7B',
    note: 'Bring a ruler.',
    timeZone: 'UTC',
    teacherName: 'Adaeze',
  },
  ...{ opensAt: null, dueAt: now + 24 * hour, closesAt: null, excused: false },
  ...{ filmMs: 180_000, readingMs: 0, answeringMs: 0, stopCount: 3 },
  ...{ isWithheld: false, isExtra: false, progress: 0, begun: false, attempts: { begun: 0, mayBegin: false } },
  ...{ handedInAt: null, earned: 0, possible: 600, latePercent: 0, waiting: false, givenBack: { count: 0, says: [] } },
};
const open = (items: readonly Partial<TodoItem>[], page = <TodoRoute />) => {
  standIn({ listTodo: () => ({ items: items.map((item) => ({ ...base, ...item })), now, version: '1' }) });
  show(page);
};
const headings = async (level: number) =>
  (await screen.findAllByRole('heading', { level })).map(({ textContent }) => textContent);
const titles = () => headings(3);

test('each lesson says whose it is, how long it takes, and the one thing to do about it', async () => {
  open([{}, { assignmentId: 'b', title: 'Arches', begun: true, progress: 0.5 }]);
  const card = within((await screen.findByRole('heading', { name: 'Forces in bridges' })).closest('li') as HTMLElement);
  expect(card.getByText(/7B.*Adaeze/)).toBeTruthy();
  expect(card.getByText(/3:00 of film/)).toBeTruthy();
  expect(card.getByRole('link', { name: /^Begin/ }).getAttribute('href')).toBe('/walk/a');
  expect(card.getByRole('link', { name: /^Begin/ }).textContent).toBe('Begin');
  expect(screen.getByRole('link', { name: /^Go on: Arches/ }).textContent).toBe('Go on');
});

test('a step of a series says where it stands, and one that waits cannot be begun', async () => {
  const series = { title: 'Bridges', number: 1, count: 3, done: 0 };
  const waitsFor = { title: 'Forces in bridges', percent: 60 };
  open([{ series }, { assignmentId: 'b', title: 'Arches', series: { ...series, number: 2 }, waitsFor }]);
  expect(await headings(2)).toEqual(['Due tomorrow', 'Opens later']);
  expect(screen.getByText('Bridges, 1 of 3 · 0 of 3 lessons done')).toBeTruthy();
  expect(screen.getByText(/^Opens when “Forces in bridges” is done with 60 % of its points/)).toBeTruthy();
  expect(screen.queryByRole('link', { name: /Begin.*Arches/ })).toBeNull();
});

test('what came back stands first, with what the teacher says to it', async () => {
  const givenBack = { count: 1, says: ['Say why it bends.'] };
  open([{}, { assignmentId: 'b', title: 'Arches', begun: true, handedInAt: now - hour, givenBack }]);
  expect(await titles()).toEqual(['Arches', 'Forces in bridges']);
  expect(screen.getByText('Say why it bends.')).toBeTruthy();
});

test('what is handed in is done, late or not, and not to be done', async () => {
  const done = { begun: true, handedInAt: now, earned: 450 };
  open([done]);
  expect(await screen.findByText('Nothing to do right now')).toBeTruthy();
  open([done, { ...done, assignmentId: 'b', dueAt: now - hour }], <DoneRoute />);
  expect(await titles()).toHaveLength(2);
  expect(screen.getAllByText(/4\.5 of 6/)).toHaveLength(2);
  expect(screen.getAllByText(/\(Late\)/)).toHaveLength(1);
});

test('the list goes by what presses: late, day by day, without a date, soon, extra, over', async () => {
  const day = 24 * hour;
  open([
    { assignmentId: 'x', title: 'Extra', isExtra: true, dueAt: now - hour },
    { assignmentId: 'n', title: 'No date', dueAt: null },
    { assignmentId: 'o', title: 'Over', dueAt: now - day, closesAt: now - hour },
    { assignmentId: 'e', title: 'Excused', excused: true },
    { assignmentId: 's', title: 'Soon', opensAt: now + hour },
    { assignmentId: 'm', title: 'Monday', dueAt: now + 6 * day },
    { assignmentId: 't', title: 'Tomorrow' },
    { assignmentId: 'd', title: 'Today', dueAt: now + hour },
    { assignmentId: 'l', title: 'Late', dueAt: now - hour },
  ]);
  expect(await titles()).toEqual([
    'Late',
    'Today',
    'Tomorrow',
    'Monday',
    'No date',
    'Soon',
    'Extra',
    'Over',
    'Excused',
  ]);
  expect(await headings(2)).toEqual([
    ...['Late', 'Due today', 'Due tomorrow', 'Monday 20 April', 'Without a date', 'Opens later'],
    ...['Extra, if you like', 'Over'],
  ]);
});

test('what being late costs is said before, what it took off after; what is held back is not told', async () => {
  const late = { kind: 'worthLess', percentEachDay: 10, maxPercent: 50, graceMinutes: 0 } as const;
  open([{ late, worth: 2_000, category: 'Homework' }]);
  expect(
    await screen.findByText('Homework · Counts 20 points · Late work counts 10 % less a day, 50 % at most'),
  ).toBeTruthy();
  const done = { begun: true, handedInAt: now, earned: 450, latePercent: 10, worth: 2_000 };
  open([done, { ...done, assignmentId: 'b', earned: 0, isWithheld: true }], <DoneRoute />);
  expect(await screen.findByText('4.5 of 6 points, 10 % less for being late, counts 15 of 20')).toBeTruthy();
  expect(screen.getByText('Your teacher shows later how it went')).toBeTruthy();
});

test('before it opens nothing can be begun', async () => {
  open([{ opensAt: now + hour }]);
  await titles();
  expect(screen.queryByRole('link', { name: /^Begin/ })).toBe(null);
});

test('what cannot be had is said, with a way to try again', async () => {
  standIn({
    listTodo: () => {
      throw new Refusal('internal');
    },
  });
  show(<TodoRoute />);
  expect(await screen.findByRole('alert')).toBeTruthy();
});

test('the bell says how many notices are new', async () => {
  const settings = { mail: 'none' as const, address: null, isConfirmed: false };
  standIn({ listNotices: () => ({ unread: 3, items: [], settings }) });
  show(<NoticeBell />);
  expect(await screen.findByRole('link', { name: 'Notices, 3 new' })).toBeTruthy();
});

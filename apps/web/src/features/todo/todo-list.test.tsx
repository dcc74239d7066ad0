// @vitest-environment jsdom
import type { TodoItem } from '@semita/core/contract';
import { screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as DoneRoute } from './done-route.tsx';
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
  ...{ progress: 0, begun: false, attempts: { begun: 0, mayBegin: false } },
  ...{ handedInAt: null, earned: 0, possible: 600, waiting: false, givenBack: { count: 0, says: [] } },
};
const open = (items: readonly Partial<TodoItem>[], page = <TodoRoute />) => {
  standIn({ listTodo: () => ({ items: items.map((item) => ({ ...base, ...item })), now, version: '1' }) });
  show(page);
};
const titles = async () => (await screen.findAllByRole('heading', { level: 2 })).map(({ textContent }) => textContent);

test('each lesson says whose it is, how long it takes, and the one thing to do about it', async () => {
  open([{}, { assignmentId: 'b', title: 'Arches', begun: true, progress: 0.5 }]);
  const card = within((await screen.findByRole('heading', { name: 'Forces in bridges' })).closest('li') as HTMLElement);
  expect(card.getByText(/7B.*Adaeze/)).toBeTruthy();
  expect(card.getByText(/3:00 of film/)).toBeTruthy();
  expect(card.getByRole('link', { name: /^Begin/ }).getAttribute('href')).toBe('/walk/a');
  expect(card.getByRole('link', { name: /^Begin/ }).textContent).toBe('Begin');
  expect(screen.getByRole('link', { name: /^Go on: Arches/ }).textContent).toBe('Go on');
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

// @vitest-environment jsdom
import type { ClassMastery } from '@semita/core/contract';
import { screen, within } from '@testing-library/react';
import { Outlet, Route, Routes } from 'react-router';
import { expect, test } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { Component as MasteryRoute } from './mastery-route.tsx';

type Own = ClassMastery['students'][number]['mastery'][number];
const told = (share: number, level: Own['level']): Own => ({ count: 3, share, level });
const none: Own = { count: 0, share: null, level: null };

const mastery: ClassMastery = {
  targets: [
    { key: 'b.1', code: 'B.1', words: 'Tells compression from tension', questionCount: 4 },
    { key: 'own', code: '', words: 'In words of its own', questionCount: 1 },
  ],
  students: [
    { id: 's1', displayName: 'Ada', mastery: [told(0.4, 'notMet'), none] },
    { id: 's2', displayName: 'Bo', mastery: [told(0.6, 'nearly'), none] },
    { id: 's3', displayName: 'Cleo', mastery: [told(0.2, 'notMet'), none] },
  ],
  ...{ timeZone: 'UTC', runs: true },
};

function open(one: ClassMastery = mastery) {
  standIn({
    readMastery: () => one,
    readStudentMastery: ({ params }) => ({
      targets: one.targets,
      mastery: (one.students.find(({ id }) => id === params.studentId)?.mastery ?? []).map((own) => ({
        ...own,
        evidence: [{ assignmentId: 'a1', questionId: 'q1', earned: 60, possible: 100, at: 0 }],
      })),
      ...{ titles: { a1: 'How bridges carry load' }, stems: { q1: 'Which **side**?' }, timeZone: 'UTC' },
    }),
  });
  return show(
    <Routes>
      <Route element={<Outlet context={{ id: 'amber' }} />}>
        <Route path="/classes/:classId/targets" element={<MasteryRoute />} />
      </Route>
    </Routes>,
    '/classes/amber/targets',
  );
}

test('what nobody has met is said, and leads to those who need more', async () => {
  const { user } = open();
  await user.click(await screen.findByRole('button', { name: /^Nobody has met “B.1 Tells/ }));
  const drawer = within(await screen.findByRole('dialog', { name: 'B.1 Tells compression from tension' }));
  expect(drawer.getByText('Not met yet (2)')).toBeTruthy();
  expect(drawer.getByText('Ada, Cleo')).toBeTruthy();
  expect(drawer.getAllByRole('button', { name: 'Make a group …' })).toHaveLength(2);
});

test('a cell says how far somebody has come, and tells from which answers', async () => {
  const { user } = open();
  expect(await screen.findByRole('button', { name: 'Bo, In words of its own: too few answers to say' })).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Bo, B.1 Tells compression from tension: 60%, nearly met' }));
  const drawer = within(await screen.findByRole('dialog', { name: /^Bo: B.1/ }));
  expect((await drawer.findByRole('link', { name: 'Which side?' })).getAttribute('href')).toBe(
    '/assignments/a1?student=s2',
  );
  expect(screen.getByText('60%, nearly met')).toBeTruthy();
});

test('names can be hidden; where no question names a target, it says how', async () => {
  const { user } = open();
  await user.click(await screen.findByLabelText('Hide names'));
  expect(screen.queryByText('Ada')).toBeNull();
  expect(screen.getByText('Student 1')).toBeTruthy();
});

test('no targets yet', async () => {
  open({ ...mastery, targets: [], students: [] });
  expect(await screen.findByText('No question that this class was given names a target')).toBeTruthy();
});

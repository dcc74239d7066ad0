// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { ThisGuest } from './this-guest.tsx';

const guest = { studentId: 'g', displayName: 'Kim (guest)' };
const line = (studentId: string, displayName: string, more = {}) => ({
  ...{ studentId, displayName, excused: false, dueAt: null, row: null },
  ...more,
});
const sheet = {
  assignment: {
    ...{
      id: 'a',
      title: 'Bridges',
      classId: 'c',
      className: '8 Amber',
      timeZone: 'UTC',
      series: null,
      givenAt: 0,
      takenBackAt: null,
      to: [],
    },
    ...{ opensAt: null, dueAt: null, closesAt: null, studentCount: 2, begunCount: 1, handedInCount: 0 },
    ...{ toMarkCount: 0, stuckCount: 0, toMarkSince: null, overdueCount: 0, overdueSince: null, cameInCount: 0 },
  },
  ...{
    terms: { skipping: false, rewindAtStops: true, maxRate: 2 as const },
    mostAttempts: 1,
    releasedAt: null,
    note: '',
  },
  ...{ runs: true, editionNumber: 1, newer: null, lessonId: 'l', stops: [], erased: null, now: 0, version: 'v' },
  students: [line('e', 'Elin'), line('g', 'Kim (guest)', { isGuest: true as const }), line('x', 'Gone', { leftAt: 1 })],
};

function open() {
  const [matched, removed, gone] = [vi.fn(), vi.fn(), vi.fn()];
  standIn({
    readSheet: () => sheet,
    matchGuest: ({ params, body }) => {
      matched(params.studentId, body.toStudentId);
      return undefined;
    },
    removeGuest: ({ params }) => {
      removed(params.studentId);
      return undefined;
    },
  });
  return { matched, removed, gone, ...show(<ThisGuest assignmentId="a" guest={guest} onGone={gone} />) };
}

test('a guest turns out to be a student, and nobody else is offered', async () => {
  const { user, matched, gone } = open();
  await user.click(screen.getByRole('button', { name: 'This is a student of mine …' }));
  await screen.findByRole('option', { name: 'Elin' });
  expect(screen.getAllByRole('option').map(({ textContent }) => textContent)).toEqual(['', 'Elin']);
  await user.selectOptions(screen.getByLabelText('Student'), 'Elin');
  await user.click(screen.getByRole('button', { name: 'It is this student' }));
  await vi.waitFor(() => expect(gone).toHaveBeenCalled());
  expect(matched).toHaveBeenCalledWith('g', 'e');
});

test('a guest is removed only by their name', async () => {
  const { user, removed } = open();
  await user.click(screen.getByRole('button', { name: 'Remove the guest' }));
  const field = await screen.findByLabelText(/^Type “Kim/);
  const verb = screen.getAllByRole('button', { name: 'Remove the guest' }).at(-1) as HTMLElement;
  await user.type(field, 'Elin');
  await user.click(verb);
  expect(removed).not.toHaveBeenCalled();
  await user.clear(field);
  await user.type(field, 'Kim (guest)');
  await user.click(verb);
  await vi.waitFor(() => expect(removed).toHaveBeenCalledWith('g'));
});

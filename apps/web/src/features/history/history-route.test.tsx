// @vitest-environment jsdom
import type { AssignmentSummary } from '@semita/core/contract';
import { screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { byTerm } from './by-term.ts';
import { Component as HistoryRoute } from './history-route.tsx';

const at = (day: string) => Date.parse(`${day}T12:00:00Z`);
const given = (id: string, title: string, day: string, more: Partial<AssignmentSummary> = {}): AssignmentSummary => ({
  ...{ id, title, classId: 'amber', className: '8 Amber', timeZone: 'UTC', series: null, takenBackAt: null },
  ...{ opensAt: null, dueAt: null, closesAt: null, givenAt: at(day) },
  to: [{ id, kind: 'class', name: '8 Amber', classId: 'amber', opensAt: null, dueAt: null, closesAt: null }],
  ...{
    studentCount: 20,
    begunCount: 10,
    handedInCount: 5,
    toMarkCount: 0,
    stuckCount: 0,
    toMarkSince: null,
    overdueCount: 0,
    overdueSince: null,
    cameInCount: 0,
  },
  ...more,
});
const term = (title: string, firstDay: string, lastDay: string) => ({
  title,
  kind: 'term' as const,
  firstDay,
  lastDay,
});
const terms = [term('Spring', '2026-01-07', '2026-06-12'), term('Autumn', '2026-08-17', '2026-12-18')];
const cobalt = { id: 'x', kind: 'group' as const, classId: 'cobalt', opensAt: null, dueAt: null, closesAt: null };
const all = [
  given('a', 'Load', '2026-02-01'),
  given('b', 'Span', '2026-09-01', { takenBackAt: at('2026-09-02') }),
  given('c', 'Arch', '2026-07-01', { to: [{ ...cobalt, name: '8 Cobalt, ready' }] }),
  // Given in summer, due in autumn: it is work of the autumn.
  given('d', 'Rope', '2026-07-20', { dueAt: at('2026-08-31') }),
];

test('what was given lies in the term in which it was due', () => {
  expect(byTerm(all, terms).map(({ title, assignments }) => [title, assignments.map(({ id }) => id)])).toEqual([
    ['Autumn', ['b', 'd']],
    ['Spring', ['a']],
    [null, ['c']],
  ]);
  expect(byTerm(all, [])).toHaveLength(1);
});

test('it is found by its term, its class and its lesson', async () => {
  const kept = {
    ...{ id: 'cobalt', name: '8 Cobalt', shape: 'arch' as const, colour: 'marigold' as const, timeZone: 'UTC' },
    ...{ studentCount: 1, isArchived: true, removedAt: null, waitingCount: 0, standsIn: false },
  };
  standIn({
    listClasses: () => [kept],
    listHistory: () => all,
    readSchoolDays: () => terms.map((one, index) => ({ ...one, id: String(index) })),
  });
  const { user } = show(<HistoryRoute />);
  const autumn = within((await screen.findByRole('heading', { name: 'Autumn' })).closest('section') as HTMLElement);
  expect(autumn.getAllByRole('link').map(({ textContent }) => textContent)).toEqual(['Span', 'Rope']);
  expect(autumn.getByText('taken back')).toBeTruthy();
  // Also a class of which only a group got something.
  await screen.findByRole('option', { name: '8 Cobalt' });
  await user.selectOptions(screen.getByLabelText('Class'), '8 Cobalt');
  expect(screen.getAllByRole('link').map(({ textContent }) => textContent)).toEqual(['Arch']);
  await user.selectOptions(screen.getByLabelText('Class'), 'All classes');
  await user.type(screen.getByLabelText('Lesson'), 'lo');
  expect(screen.getAllByRole('link').map(({ textContent }) => textContent)).toEqual(['Load']);
  await user.type(screen.getByLabelText('Lesson'), 'zz');
  expect(screen.getByText('Nothing of that.')).toBeTruthy();
});

// @vitest-environment jsdom
import type { AssignmentSummary, Gradebook, StudentLines, StudentMastery } from '@semita/core/contract';
import { defaultRules } from '@semita/core/gradebook';
import { encodeSheetRow, type SheetRow } from '@semita/core/sheet';
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { AccountView } from './account-view.tsx';
import { Standing } from './standing.tsx';

// The browser of the tests draws nothing; what the chart shows stands in the table and in its title.
vi.mock('../../ui/charts/share-chart.tsx', () => ({ default: () => null }));

const now = Date.UTC(2026, 11, 1);
const day = 86_400_000;
const row = (earned: number): SheetRow => ({
  ...{ marks: [{ state: 'partial', earned, possible: 400 }], progress: 1, metShare: 1, timeSpentMs: 9 * 60_000 },
  ...{
    begunAt: now - 2 * day,
    lastSeenAt: now - day,
    handedInAt: now - day,
    earned,
    possible: 400,
    atOpenStopMs: null,
  },
  ...{ cutMs: 0, hiddenMs: 0, lateAnswers: 0, waitingSteps: 0, returned: 0 },
});
const given = ['Beams', 'Arches', 'Cables', 'Towers'].map((title, index) => ({
  ...{ id: title, title, givenAt: now - (9 - index) * day, timeZone: 'Europe/Stockholm', to: [] },
  opensAt: title === 'Towers' ? now + day : null,
})) as unknown as AssignmentSummary[];
const line = (assignmentId: string, own: SheetRow | null, dueAt: number) => ({
  ...{ assignmentId, isExtra: false },
  line: {
    ...{ studentId: 'fabio', displayName: 'Fabio', excused: false, dueAt },
    row: own && encodeSheetRow(own),
  },
});

test('one student’s work in sentences for their parents, and as a table', () => {
  const lines = [line('Cables', null, now - 1), line('Arches', row(100), now - 2 * day), line('Beams', row(300), now)];
  lines.push(line('Towers', null, now + 9 * day));
  const told: StudentLines = { student: { id: 'fabio', displayName: 'Fabio' }, now, lines };
  show(<AccountView className="8 Cobalt" told={told} given={given} />);
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
    'Fabio has handed in 2 of 3 lessons that were given.',
    'One of them came late.',
    'One is past its date and still missing.',
    'In what was handed in, Fabio earned 4 of 8 points (50%).',
    'Of the films and texts 100% were watched or read, in 18 min altogether.',
  ]);
  expect(screen.getByText('From 75% in the first lesson to 25% in the latest')).toBeTruthy();
  const rows = screen.getAllByRole('row').slice(1);
  expect(rows.map((one) => one.querySelector('th')?.textContent)).toEqual(['Beams', 'Arches', 'Cables']);
  expect(rows[1]?.textContent).toContain('late');
});

test('of whom nothing was asked yet, that is said', () => {
  const told: StudentLines = { student: { id: 'fabio', displayName: 'Fabio' }, now, lines: [] };
  show(<AccountView className="8 Cobalt" told={told} given={given} />);
  expect(screen.getByText('Nothing was given to this student yet')).toBeTruthy();
});

test('what it comes to, by category and by target; nothing is said where nothing can be', () => {
  const cell = (earned: number) => ({ state: 'handedIn' as const, earned, possible: 400 });
  const column = (assignmentId: string, category: string) => ({
    ...{ assignmentId, title: assignmentId, category, isExtra: false, worth: 400, day: '2026-11-20' },
  });
  const book: Gradebook = {
    rules: {
      ...defaultRules,
      byWeight: true,
      categories: [
        { name: 'Homework', weight: 100, dropLowest: 0 },
        { name: 'Talks', weight: 300, dropLowest: 0 },
      ],
    },
    columns: [column('a', 'Homework'), column('b', 'Talks')],
    students: [{ studentId: 'fabio', displayName: 'Fabio', cells: [cell(400), cell(200)] }],
    ...{ version: 1, runs: true, timeZone: 'UTC', locale: 'en', terms: [], kept: [] },
  };
  const mastery: StudentMastery = {
    targets: ['B.1', 'B.2'].map((code) => ({ key: code, code, words: 'Forces', questionCount: 3 })),
    mastery: [
      { count: 4, share: 0.9, level: 'met', evidence: [] },
      { count: 1, share: null, level: null, evidence: [] },
    ],
    ...{ titles: {}, stems: {}, timeZone: 'UTC' },
  };
  const { showAgain } = show(<Standing studentId="fabio" book={book} mastery={mastery} />);
  // 1 × 100 % + 3 × 50 %, of 4
  expect(screen.getByText('Counted by the rules of the class: 63%')).toBeTruthy();
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
    'Homework (weight 1)100%',
    'Talks (weight 3)50%',
    'B.1 Forces90%, met',
  ]);
  showAgain(<Standing studentId="nobody" book={book} mastery={{ ...mastery, targets: [], mastery: [] }} />);
  expect(screen.queryAllByRole('listitem')).toEqual([]);
});

// @vitest-environment jsdom
import type { AssignmentSummary, StudentLines } from '@semita/core/contract';
import { encodeSheetRow, type SheetRow } from '@semita/core/sheet';
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { AccountView } from './account-view.tsx';

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

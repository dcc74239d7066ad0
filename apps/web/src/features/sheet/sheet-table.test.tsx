// @vitest-environment jsdom

import type { Sheet } from '@semita/core/contract';
import type { SheetRow, SheetStudent, StopMark } from '@semita/core/sheet';
import { screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { SheetTable } from './sheet-table.tsx';

const hour = 3_600_000;
const now = 1_000 * hour;
const full: StopMark = { state: 'full', earned: 100, possible: 100 };
const waiting: StopMark = { state: 'waiting', earned: 0, possible: 300 };

const row = (change: Partial<SheetRow> = {}): SheetRow => ({
  marks: [full, waiting],
  progress: 1,
  metShare: 0.96,
  timeSpentMs: 7 * 60_000,
  begunAt: now - 2 * hour,
  lastSeenAt: now - hour,
  handedInAt: now - hour,
  earned: 100,
  possible: 400,
  atOpenStopMs: null,
  ...{ cutMs: 0, hiddenMs: 0, lateAnswers: 0, waitingSteps: 0, returned: 0 },
  ...change,
});
const student = (displayName: string, change: Partial<SheetStudent> = {}): SheetStudent => ({
  studentId: displayName.toLowerCase(),
  displayName,
  excused: false,
  dueAt: null,
  row: row(),
  ...change,
});

const twoStops = [
  { id: 'stop-1', kind: 'checkpoint', label: 'Which force squeezes?', partTitle: 'Film' },
  { id: 'stop-2', kind: 'checkpoint', label: 'Why?', partTitle: 'Film' },
];

function open(students: SheetStudent[], dueAt: number | null = null, terms = {}, stops: readonly object[] = twoStops) {
  const sheet = {
    assignment: { timeZone: 'Europe/Stockholm', to: [{ dueAt }] },
    stops,
    students,
    now,
    terms,
  } as unknown as Sheet;
  const onOpen = vi.fn();
  const due = students.map((one) => ({ ...one, dueAt: one.dueAt ?? dueAt }));
  const rest = { sorting: { order: 'need' as const, isTurned: false }, onSort: vi.fn(), chosenIds: new Set<string>() };
  const nameOf = ({ displayName }: SheetStudent) => displayName;
  const onChoose = vi.fn();
  const table = <SheetTable sheet={sheet} students={due} {...rest} {...{ nameOf, onChoose, onOpen }} />;
  return { ...show(table), onOpen, onChoose, onSort: rest.onSort };
}

const rowOf = (name: string) => screen.getByRole('row', { name: new RegExp(name) });

test('a row says need, states, share met, time, points and when the student was last seen', () => {
  open([student('Imani')]);
  const cells = within(rowOf('Imani'));
  expect(cells.getByRole('img', { name: 'Imani, stop 1: All points, 1 of 1' })).toBeTruthy();
  expect(cells.getByRole('img', { name: 'Imani, stop 2: Handed in, not marked yet' })).toBeTruthy();
  for (const text of ['To mark', '100%', '96%', '7 min', '1 of 4', '1 hr. ago'])
    expect(
      cells.getByText((_, element) => element?.textContent === text && element.children.length === 0),
    ).toBeTruthy();
});

test('who has not begun has marks ahead and no numbers', () => {
  open([student('Tomas', { row: null })], now - hour);
  const cells = within(rowOf('Tomas'));
  expect(cells.getByText('Overdue')).toBeTruthy();
  expect(cells.getAllByRole('img', { name: /Ahead/ })).toHaveLength(2);
  expect(cells.getAllByText('–')).toHaveLength(5);
});

test('late work and excused students are told', () => {
  open([student('Imani'), student('Tomas', { excused: true })], now - 2 * hour);
  expect(within(rowOf('Imani')).getByText('late')).toBeTruthy();
  expect(within(rowOf('Tomas')).getByText('Excused')).toBeTruthy();
});

test('what being late took off, and what it counts, stand in their places', () => {
  open([student('Imani', { result: { earned: 90, latePercent: 10 } })], now - 2 * hour, { worth: 1_000 });
  const row = within(rowOf('Imani'));
  expect(row.getByText('late, 10 % less')).toBeTruthy();
  expect(row.getByText('0.9 of 4')).toBeTruthy();
  expect(row.getByText('2.25 of 10')).toBeTruthy();
  expect(screen.getByRole('columnheader', { name: 'Counts' })).toBeTruthy();
});

test('arrows go from cell to cell and stop at the edges; Enter opens the student at that stop', async () => {
  const { user, onOpen } = open([student('Imani'), student('Tomas')]);
  screen.getByRole('button', { name: 'Imani' }).focus();
  await user.keyboard('{ArrowUp}{ArrowLeft}');
  expect(document.activeElement).toBe(screen.getByRole('button', { name: 'Imani' }));
  await user.keyboard('{ArrowDown}{ArrowRight}{ArrowRight}{ArrowRight}{Enter}');
  expect(onOpen).toHaveBeenCalledWith('tomas', 'stop-2');
  await user.keyboard('{ArrowUp}{ArrowLeft}{ArrowLeft}{Enter}');
  expect(onOpen).toHaveBeenLastCalledWith('imani');
});

test('headings say what is asked, not only its number', () => {
  open([student('Imani')]);
  expect(screen.getByRole('columnheader', { name: /Stop 1: Which force squeezes\?/ })).toBeTruthy();
});

test('own dates, another attempt, and who has left are told', () => {
  open(
    [
      student('Imani', { dueAt: Date.UTC(2026, 10, 30, 12) }),
      student('Tomas', { attempt: { number: 2, count: 2 } }),
      student('Rin', { leftAt: now - hour, row: null }),
    ],
    now + hour,
  );
  expect(within(rowOf('Imani')).getByText(/^due .*30/)).toBeTruthy();
  expect(within(rowOf('Tomas')).getByText('attempt 2 of 2')).toBeTruthy();
  expect(within(rowOf('Rin')).getByText('Has left')).toBeTruthy();
});

test('headings put the sheet in order, and say by which it is', async () => {
  const { user, onSort } = open([student('Imani')]);
  expect(screen.getByRole('columnheader', { name: 'Needs' }).getAttribute('aria-sort')).toBe('ascending');
  await user.click(screen.getByRole('button', { name: 'Points' }));
  await user.click(screen.getByRole('button', { name: /^Stop 2: Why\?/ }));
  expect(onSort.mock.calls).toEqual([['points'], [{ stop: 1 }]]);
});

test('one student is chosen, or all of them', async () => {
  const { user, onChoose } = open([student('Imani'), student('Tomas')]);
  await user.click(screen.getByRole('checkbox', { name: 'Choose Tomas' }));
  await user.click(screen.getByRole('checkbox', { name: 'Choose all' }));
  expect(onChoose.mock.calls).toEqual([
    [['tomas'], true],
    [['imani', 'tomas'], true],
  ]);
});

test('of a sheet of 300 by 200 only what is in sight is drawn; keys reach its last cell', async () => {
  const marks = new Array<StopMark>(200).fill(full);
  const students = Array.from({ length: 300 }, (_, i) => student(`S${i}`, { row: row({ marks }) }));
  const stops = marks.map((_, i) => ({
    id: `stop-${i}`,
    kind: 'checkpoint',
    label: `Stop ${i}`,
    partTitle: `Part ${i % 3}`,
  }));
  const { user, onOpen } = open(students, null, {}, stops);
  // By role everything would be looked through.
  expect(document.querySelector('table')?.getAttribute('aria-rowcount')).toBe('301');
  expect(document.querySelectorAll('[data-cell]').length).toBeLessThan(2_000);
  document.querySelector<HTMLElement>('[data-cell="0:0"]')?.focus();
  await user.keyboard('{End}{Enter}');
  expect(onOpen).toHaveBeenCalledWith('s0', 'stop-199');
});

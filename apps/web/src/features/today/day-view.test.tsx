// @vitest-environment jsdom
import type { AssignmentSummary } from '@semita/core/contract';
import { encodeSheetRow, type SheetRow } from '@semita/core/sheet';
import { screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { DayView } from './day-view.tsx';

const now = Date.parse('2026-12-02T06:40:00Z');
const hour = 3_600_000;
const summary = (id: string, more: Partial<AssignmentSummary>): AssignmentSummary => ({
  ...{ id, title: `Lesson ${id}`, classId: 'amber', className: '8 Amber', timeZone: 'Europe/Stockholm', series: null },
  ...{ opensAt: null, dueAt: null, closesAt: null, to: [], givenAt: 0, takenBackAt: null, studentCount: 20 },
  ...{ begunCount: 10, handedInCount: 8, toMarkCount: 0, toMarkSince: null, stuckCount: 0 },
  ...{ overdueCount: 0, overdueSince: null, cameInCount: 0 },
  ...more,
});
const amber = {
  ...{ id: 'amber', name: '8 Amber', shape: 'arch' as const, colour: 'marigold' as const, timeZone: 'UTC' },
  ...{ studentCount: 20, isArchived: false, removedAt: null, waitingCount: 0, standsIn: false },
};

test('every row is a verb, what has waited longest first', async () => {
  standIn({ listClasses: () => [amber] });
  const assignments = [
    summary('a', { toMarkCount: 4, toMarkSince: now - 20 * hour }),
    summary('b', { toMarkCount: 1, toMarkSince: now - 72 * hour, stuckCount: 2, cameInCount: 3 }),
  ];
  show(<DayView {...{ assignments, now }} />);
  expect(await screen.findByRole('heading', { name: /8 Amber/ })).toBeTruthy();
  const links = screen.getAllByRole('link').map((one) => [one.textContent, one.getAttribute('href')]);
  expect(links).toEqual([
    ['Help 2 who are stuckLesson b, 8 Amber', '/assignments/b?needs=stuck'],
    ['Mark 1 answerLesson b, 8 Amberthe first 3 days ago', '/assignments/b?mark=next'],
    ['Mark 4 answersLesson a, 8 Amberthe first 20 hr. ago', '/assignments/a?mark=next'],
    ['Look at them', '/assignments/b?sort=lastSeen'],
  ]);
});

test('what the clock does today is told with who is still out', () => {
  standIn({ listClasses: () => [] });
  const to = [
    { id: 't', kind: 'class' as const, name: '8 Amber', classId: 'amber', opensAt: null, closesAt: now + 2 * hour },
  ].map((one) => ({ ...one, dueAt: now + hour }));
  show(<DayView assignments={[summary('a', { to })]} now={now} />);
  const [due, closes] = within(screen.getByRole('region', { name: 'On the clock today' })).getAllByRole('listitem');
  expect(due?.textContent).toContain('12 have not handed in');
  expect(
    within(closes as HTMLElement)
      .getByRole('link')
      .getAttribute('href'),
  ).toBe('/assignments/a/look-back');
});

test('those are reminded who are past the date when it is pressed', async () => {
  const nudged = vi.fn();
  const row = (handedInAt: number | null) =>
    encodeSheetRow({
      ...{ marks: [], progress: 1, metShare: 1, timeSpentMs: 1, begunAt: 0, lastSeenAt: 0, handedInAt, earned: 0 },
      ...{ possible: 0, atOpenStopMs: null, cutMs: 0, hiddenMs: 0, lateAnswers: 0, waitingSteps: 0, returned: 0 },
    } satisfies SheetRow);
  const line = (studentId: string, own: string | null) => ({
    ...{ studentId, displayName: studentId, excused: false, dueAt: now - hour, row: own },
  });
  const one = summary('a', { overdueCount: 3, overdueSince: now - hour });
  standIn({
    listClasses: () => [amber],
    readSheet: () => ({
      ...{
        assignment: one,
        terms: { skipping: false, rewindAtStops: true, maxRate: 2 },
        mostAttempts: 1,
        releasedAt: null,
      },
      ...{ note: '', runs: true, editionNumber: 1, newer: null, lessonId: 'l', stops: [], erased: null, now },
      ...{ version: 'v.1', students: [line('Ada', null), line('Bo', row(now - 1)), line('Cleo', row(null))] },
    }),
    nudge: ({ body }) => {
      nudged(body.studentIds);
      return undefined as never;
    },
  });
  const { user } = show(<DayView assignments={[one]} now={now} />);
  await user.click(await screen.findByRole('button', { name: /^Nudge 3 past the date/ }));
  await vi.waitFor(() => expect(nudged).toHaveBeenCalledWith(['Ada', 'Cleo']));
});

test('nothing needs anybody', async () => {
  standIn({ listClasses: () => [amber] });
  show(<DayView assignments={[summary('a', {})]} now={now} />);
  expect(screen.getByText('Nothing needs you right now')).toBeTruthy();
});

import { expect, test } from 'vitest';
import type { SheetStudent } from '../sheet/sheet-line.ts';
import type { SheetRow } from '../sheet/sheet-row.ts';
import { type AccountEntry, accountOf } from './account.ts';

const now = 1_000_000_000;
const day = 86_400_000;
const row = (more: Partial<SheetRow>): SheetRow => ({
  ...{ marks: [], progress: 1, metShare: 1, timeSpentMs: 60_000, begunAt: 0, lastSeenAt: now, handedInAt: now - day },
  ...{ earned: 50, possible: 100, atOpenStopMs: null, cutMs: 0, hiddenMs: 0, lateAnswers: 0, waitingSteps: 0 },
  ...{ returned: 0, ...more },
});
const entry = (assignmentId: string, own: SheetRow | null, more: Partial<SheetStudent & AccountEntry> = {}) => {
  const { isExtra = false, givenAt = 0, ...student } = more;
  return {
    ...{ assignmentId, givenAt, isExtra },
    student: { studentId: 's', displayName: 'Rin', excused: false, dueAt: null, row: own, ...student },
  };
};

test('what was given, handed in, late, overdue and excused; points of what was handed in; extras are owed by nobody', () => {
  const account = accountOf(
    [
      entry('late', row({ earned: 30 }), { dueAt: now - 2 * day, givenAt: 2 }),
      entry('in time', row({ earned: 80, possible: 400, marks: [{ state: 'waiting', earned: 0, possible: 300 }] }), {
        ...{ dueAt: now, givenAt: 1 },
      }),
      entry('less for late', row({ earned: 100 }), { givenAt: 3, result: { earned: 90, latePercent: 10 } }),
      entry('overdue', null, { dueAt: now - day }),
      entry('begun and overdue', row({ handedInAt: null, metShare: 0.5, timeSpentMs: 30_000 }), { dueAt: now - 1 }),
      entry('not due yet', null, { dueAt: now + day }),
      entry('excused', null, { dueAt: now - day, excused: true }),
      entry('extra', row({ earned: 0, possible: 0 }), { isExtra: true, dueAt: now - 2 * day }),
      entry('extra, left out', null, { isExtra: true, dueAt: now - day }),
    ],
    now,
  );
  expect(account).toEqual({
    ...{ given: 6, handedIn: 3, late: 1, overdue: 2, excused: 1, extras: 1, waiting: 1, earned: 200, possible: 300 },
    ...{ metShare: 0.9, timeSpentMs: 270_000 },
    trend: [
      { assignmentId: 'in time', share: 0.8 },
      { assignmentId: 'late', share: 0.3 },
      { assignmentId: 'less for late', share: 0.9 },
    ],
  });
});

test('what is less for being late is less of what is marked, and never below nothing', () => {
  const marks = [
    { state: 'waiting' as const, earned: 60, possible: 100 },
    { state: 'partial' as const, earned: 40, possible: 100 },
  ];
  const own = row({ earned: 100, possible: 200, marks });
  expect(accountOf([entry('late', own, { result: { earned: 50, latePercent: 50 } })], now)).toMatchObject({
    ...{ earned: 20, possible: 100, waiting: 1 },
  });
});

test('of nothing', () => {
  expect(accountOf([], now)).toMatchObject({ given: 0, overdue: 0, possible: 0, metShare: null, trend: [] });
});

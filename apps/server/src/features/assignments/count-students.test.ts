import { expect, test } from 'vitest';
import { countStudents } from './count-students.ts';
import type { StoredOutline } from './sheet-repository.ts';

const now = 1_000_000;
const outline = (more: object) => ({
  ...{
    progress: 1,
    earned: 0,
    possible: 100,
    handedInAt: null,
    toMark: 0,
    waitingSteps: 0,
    returned: 0,
    stuckFrom: null,
  },
  ...more,
});
const student = (own: object | null, terms: object = {}): StoredOutline =>
  ({
    counted: own && { outline: outline(own) },
    attempts: own ? [{}] : [],
    terms: { leftAt: null, excused: false, since: 0, window: { dueAt: null }, ...terms },
  }) as unknown as StoredOutline;
const count = (students: readonly StoredOutline[], more: object = {}) =>
  countStudents(students, {
    ...{ isGuest: () => false, isExtra: undefined, isTakenBack: false, now, since: now - 100 },
    ...more,
  });
const due = (dueAt: number) => ({ window: { dueAt } });

test('who has begun, handed in, waits, is stuck, and came in since', () => {
  const counts = count([
    student(null),
    student({ stuckFrom: 0 }),
    student({ handedInAt: now - 500, toMark: 2 }),
    student({ handedInAt: now - 50, toMark: 1 }),
    student({ handedInAt: now - 10 }),
    // Who has left has work to be marked, and is nobody else’s count.
    student({ handedInAt: now - 900, toMark: 4 }, { leftAt: now - 5 }),
  ]);
  expect(counts).toEqual({
    ...{ studentCount: 5, begunCount: 4, handedInCount: 3, toMarkCount: 7, toMarkSince: now - 500 },
    ...{ stuckCount: 1, overdueCount: 0, overdueSince: null, cameInCount: 2 },
  });
});

test('past its date, the first first; not who is excused, came after it or has left, and nobody once it is taken back', () => {
  const students = [
    student(null, due(now - 300)),
    student({}, due(now - 700)),
    student(null, { ...due(now - 900), excused: true }),
    student(null, { ...due(now - 900), since: now - 100 }),
    student(null, { ...due(now - 900), leftAt: now }),
    student(null, due(now + 10)),
  ];
  expect(count(students)).toMatchObject({ overdueCount: 2, overdueSince: now - 700 });
  expect(count(students, { isTakenBack: true })).toMatchObject({ overdueCount: 0, overdueSince: null });
  expect(count(students, { isExtra: true })).toMatchObject({ overdueCount: 0 });
});

test('guests count for nothing but what they leave to be marked', () => {
  const counts = count([student({ handedInAt: now, toMark: 1 })], { isGuest: () => true });
  expect(counts).toMatchObject({ studentCount: 0, begunCount: 0, cameInCount: 0, toMarkCount: 1 });
});

import { expect, test } from 'vitest';
import type { SheetStudent } from './sheet-line.ts';
import type { SheetRow } from './sheet-row.ts';
import { countNeeds, sortSheet } from './sort-sheet.ts';
import type { StopMark } from './stop-mark.ts';

const now = 1_000_000_000;
const sheet = { now, terms: {} };
const mark = (state: StopMark['state'], earned = 0): StopMark => ({ state, earned, possible: 100 });
const row = (more: Partial<SheetRow>): SheetRow => ({
  ...{ marks: [], progress: 0, metShare: 0, timeSpentMs: 0, begunAt: 0, lastSeenAt: now, handedInAt: null },
  ...{
    earned: 0,
    possible: 100,
    atOpenStopMs: null,
    cutMs: 0,
    hiddenMs: 0,
    lateAnswers: 0,
    waitingSteps: 0,
    returned: 0,
  },
  ...more,
});
const student = (displayName: string, own: SheetRow | null, more: Partial<SheetStudent> = {}): SheetStudent => ({
  ...{ studentId: displayName, displayName, excused: false, dueAt: null, row: own },
  ...more,
});
const students = [
  student('Bo', row({ progress: 0.5, metShare: 0.9, earned: 20, marks: [mark('full', 100)] })),
  student('Åsa', null),
  student('Cy', row({ progress: 0.2, metShare: 0.1, earned: 90, marks: [mark('open')], atOpenStopMs: 600_000 })),
  student('Di', row({ progress: 1, metShare: 1, earned: 50, marks: [mark('partial', 50)], handedInAt: now })),
  student('Ed', row({ progress: 1, metShare: 1, earned: 50, marks: [mark('partial', 20)] }), { excused: true }),
];
const names = (...order: Parameters<typeof sortSheet> extends [unknown, unknown, ...infer Rest] ? Rest : never) =>
  sortSheet(students, sheet, ...order).map(({ displayName }) => displayName);

test('who needs most stands first, or by the name', () => {
  expect(names('need')).toEqual(['Cy', 'Åsa', 'Bo', 'Di', 'Ed']);
  expect(names('name')).toEqual(['Åsa', 'Bo', 'Cy', 'Di', 'Ed']);
  expect(names('name', true)).toEqual(['Ed', 'Di', 'Cy', 'Bo', 'Åsa']);
});

test('by a figure the least stands first, equals by their names, and who has not begun last, also turned round', () => {
  expect(names('met')).toEqual(['Cy', 'Bo', 'Di', 'Ed', 'Åsa']);
  expect(names('met', true)).toEqual(['Di', 'Ed', 'Bo', 'Cy', 'Åsa']);
  expect(names('points')).toEqual(['Bo', 'Di', 'Ed', 'Cy', 'Åsa']);
});

test('by a stop: who stands at it, then what wants to be looked at most', () => {
  expect(names({ stop: 0 })).toEqual(['Cy', 'Ed', 'Di', 'Bo', 'Åsa']);
  expect(names({ stop: 7 })).toEqual(['Bo', 'Cy', 'Di', 'Ed', 'Åsa']);
});

test('how many need what', () => {
  expect(countNeeds(students, sheet)).toEqual([
    { need: 'stuck', count: 1 },
    { need: 'notBegun', count: 1 },
    { need: 'underWay', count: 1 },
    { need: 'done', count: 1 },
    { need: 'excused', count: 1 },
  ]);
});

import { expect, test } from 'vitest';
import type { GradebookCell } from '../gradebook/gradebook.ts';
import { defaultRules } from '../gradebook/gradebook-rules.ts';
import { type ResultsOfClass, writeResults } from './write-results.ts';

const column = { title: 'The bridge', category: 'Homework', isExtra: false, worth: 1_000, day: '2026-11-20' };
const cell = (more: Partial<GradebookCell>): GradebookCell => ({
  ...{ state: 'handedIn', earned: 750, possible: 1_000 },
  ...more,
});
const override = { earned: 900, reason: 'Told me in person', by: 'Ms. Adaeze Lindqvist', at: 0 };
const student = (studentId: string, ...cells: (GradebookCell | null)[]) => ({
  studentId,
  displayName: studentId,
  cells,
});

const all: ResultsOfClass = {
  ...{ schoolId: 'school', schoolName: 'Quillhaven School', classId: 'amber', today: '2026-12-01' },
  rules: { ...defaultRules, byWeight: true, categories: [{ name: 'Homework', weight: 4_050, dropLowest: 0 }] },
  schoolDays: [{ title: 'Autumn', kind: 'term', firstDay: '2026-08-17', lastDay: '2026-12-18' }],
  columns: [
    { ...column, assignmentId: 'a1' },
    { ...column, assignmentId: 'a2', category: '' },
  ],
  students: [
    student('s1', cell({ isLate: true, latePercent: 10 }), cell({ waiting: 1, possible: 400, earned: 300 })),
    student('s2', cell({ state: 'notBegun', earned: 0, isMissing: true }), cell({ isExcused: true })),
    student('s3', cell({ state: 'underWay', override }), null),
    { ...student('s4', cell({}), cell({})), hasLeft: true },
  ],
};

const rowsOf = (name: string) => {
  const { fields = [], rows = [] } = writeResults(all)[name] ?? {};
  return rows.map((row) => Object.fromEntries(fields.map((field, i) => [field, row[i]])));
};

test('one result for what reached each student of the class, with what became of it; who has left is not in it', () => {
  const results = rowsOf('results');
  expect(results.map((row) => [row.studentSourcedId, row.lineItemSourcedId, row.scoreStatus, row.score])).toEqual([
    ['s1', 'a1', 'fully graded', '7.5'],
    ['s1', 'a2', 'partially graded', '3'],
    ['s2', 'a1', 'not submitted', ''],
    ['s2', 'a2', 'exempt', ''],
    ['s3', 'a1', 'fully graded', '9'],
  ]);
  expect(results.map(({ late, missing, inProgress }) => [late, missing, inProgress]).slice(0, 3)).toEqual([
    ['true', 'false', 'false'],
    ['false', 'false', 'false'],
    ['false', 'true', 'false'],
  ]);
  expect(results[4]?.comment).toBe('Told me in person');
});

test('every id that a row names is one of another row, the term being one of the school’s own package', () => {
  const categories = rowsOf('categories');
  expect(categories.map(({ title, weight }) => [title, weight])).toEqual([
    ['Homework', '40.5'],
    ['Other', '0'],
  ]);
  const known = new Set(categories.map(({ sourcedId }) => sourcedId));
  const items = rowsOf('lineItems');
  for (const item of items) expect(known).toContain(item.categorySourcedId);
  expect(items[0]).toMatchObject({
    gradingPeriodSourcedId: 'term-2026-08-17',
    resultValueMax: '10',
    dueDate: '2026-11-20',
  });
  const itemIds = new Set(items.map(({ sourcedId }) => sourcedId));
  for (const result of rowsOf('results')) expect(itemIds).toContain(result.lineItemSourcedId);
  expect(writeResults(all).manifest?.rows).toContainEqual(['file.results', 'bulk']);
  expect(writeResults(all).manifest?.rows).toContainEqual(['file.users', 'absent']);
});

test('without terms the calendar year stands in, as in the school’s own package', () => {
  const { lineItems } = writeResults({ ...all, schoolDays: [] });
  const at = lineItems?.fields.indexOf('gradingPeriodSourcedId') ?? -1;
  expect(lineItems?.rows[0]?.[at]).toBe('year-2026');
});

import { defaultTerms } from '@semita/core/attempt';
import type { Gradebook } from '@semita/core/contract';
import { defaultRules, totalOf } from '@semita/core/gradebook';
import { strFromU8, unzipSync } from 'fflate';
import readWorkbook from 'read-excel-file/node';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { gradeOverrides, keptGradebookLines } from '../../db/schema.ts';
import { countStatements } from '../../test/count-statements.ts';
import { type School, startSchool } from '../../test/harness.ts';

let school: School;
const ids = ['pupil-a', 'pupil-b', 'pupil-c'];
const options = ['right', 'wrong'].map((id) => ({ id, text: id, correct: id === 'right', feedback: '' }));
const choice = { ...everyKind.choice, multiple: false, options, points: 400 };
const written = { ...everyKind.extendedText, points: 600 };
let picked: string;
let mixed: string;

const ask = (method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: string, body?: object, as = 'adaeze') =>
  school.as(as).ask(method, `/api/classes/amber/${path}`, body);
const read = async (): Promise<Gradebook> => (await ask('GET', 'gradebook')).body;
const totalFor = ({ students, columns, rules }: Gradebook, studentId: string) =>
  totalOf(students.find((one) => one.studentId === studentId)?.cells ?? [], columns, rules).percent;
const cellOf = (book: Gradebook, studentId: string, assignmentId: string) =>
  book.students.find((one) => one.studentId === studentId)?.cells[
    book.columns.findIndex((column) => column.assignmentId === assignmentId)
  ];

beforeAll(async () => {
  school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  school.addStudents(ids);
  school.addPerson('runa', 'quillhaven', 'admin');
  const due = { opensAt: null, dueAt: '2026-11-30T12:00', closesAt: null };
  const late = { kind: 'worthLess', percentEachDay: 10, maxPercent: 50, graceMinutes: 0 } as const;
  ({ assignmentId: picked } = await school.assignLesson(
    lessonOf([choice]),
    { ...defaultTerms, category: 'Homework', worth: 1_000, late },
    due,
  ));
  school.clock.now += 60_000;
  ({ assignmentId: mixed } = await school.assignLesson(
    lessonOf([choice, written]),
    { ...defaultTerms, category: 'Projects' },
    due,
  ));
  await walk('pupil-a', picked, 'right');
  await walk('pupil-b', picked, 'wrong');
  await walk('pupil-a', mixed, 'right');
});
afterAll(() => school.stop());

async function walk(studentId: string, assignmentId: string, pick: string): Promise<void> {
  const send = await school.beginWalk(studentId, assignmentId);
  const responses = Object.fromEntries(
    (assignmentId === picked ? [choice] : [choice, written]).map(({ id, kind }) => [
      id,
      kind === 'choice' ? { kind, optionIds: [pick] } : { kind: 'extendedText' as const, text: 'Because it bends.' },
    ]),
  );
  await send({ type: 'opened' }, { type: 'reachedStop', stopId: 'stop' });
  await send({ type: 'answered', stopId: 'stop', responses });
  await send({ type: 'met', partId: 'part', fromMs: 0, toMs: 10_000, rate: 1 }, { type: 'handedIn' });
}

test('what is marked counts under the worth of each; what a stop of which something waits is in neither number', async () => {
  const book = await read();
  expect(book.columns.map(({ category, worth }) => [category, worth])).toEqual([
    ['Homework', 1_000],
    ['Projects', 1_000],
  ]);
  expect(cellOf(book, 'pupil-a', picked)).toEqual({ state: 'handedIn', earned: 1_000, possible: 1_000 });
  expect(cellOf(book, 'pupil-a', mixed)).toEqual({
    state: 'handedIn',
    earned: 0,
    possible: 0,
    whole: 1_000,
    waiting: 1,
  });
  expect(cellOf(book, 'pupil-c', mixed)).toEqual({ state: 'notBegun', earned: 0, possible: 1_000 });
  expect(totalFor(book, 'pupil-b')).toBe(0);
  expect(totalFor(book, 'pupil-c')).toBeNull();
});

test('past its date it is missing, what comes late is worth less, and who is excused is asked for nothing', async () => {
  school.clock.now = Date.parse('2026-12-01T11:30:00Z');
  await walk('pupil-c', picked, 'right');
  await school.as('adaeze').ask('POST', `/api/assignments/${mixed}/adjustments`, {
    ...{ studentIds: ['pupil-b'], change: { kind: 'excused' } },
  });
  const book = await read();
  expect(cellOf(book, 'pupil-c', picked)).toEqual({
    ...{ state: 'handedIn', earned: 800, possible: 1_000, isLate: true, latePercent: 20 },
  });
  expect(cellOf(book, 'pupil-c', mixed)).toMatchObject({ state: 'notBegun', isMissing: true });
  expect(cellOf(book, 'pupil-b', mixed)).toMatchObject({ isExcused: true });
  expect(cellOf(book, 'pupil-b', mixed)).not.toHaveProperty('isMissing');
});

test('rules are set once by whoever saw them as they are; who stands in sets none', async () => {
  const rules = { ...defaultRules, missing: 'zero', categories: [{ name: 'Homework', weight: 4_000, dropLowest: 0 }] };
  expect((await ask('PUT', 'gradebook/rules', { version: 0, rules })).status).toBe(204);
  expect((await ask('PUT', 'gradebook/rules', { version: 0, rules })).body.code).toBe('gradebookMoved');
  expect((await ask('PUT', 'gradebook/rules', { version: 1, rules: { ...rules, decimals: 1 } })).status).toBe(204);
  const book = await read();
  expect(book).toMatchObject({ version: 2, rules: { missing: 'zero', decimals: 1 } });
  // 800 of 1000, and nothing of 1000
  expect(totalFor(book, 'pupil-c')).toBe(40);
  const twice = { ...rules, categories: [...rules.categories, ...rules.categories] };
  expect((await ask('PUT', 'gradebook/rules', { version: 2, rules: twice })).status).toBe(422);
});

test('a number given by hand says who, why and when, can be taken back, and every one is kept', async () => {
  const give = (earned: number | null, reason: string) =>
    ask('POST', 'gradebook/overrides', { assignmentId: mixed, studentId: 'pupil-c', earned, reason });
  expect((await give(950, 'Told me in person')).status).toBe(204);
  const book = await read();
  expect(cellOf(book, 'pupil-c', mixed)?.override).toMatchObject({ earned: 950, reason: 'Told me in person' });
  expect(totalFor(book, 'pupil-c')).toBe(87.5);
  expect((await give(null, 'It was somebody else')).status).toBe(204);
  expect(cellOf(await read(), 'pupil-c', mixed)).not.toHaveProperty('override');
  const { body } = await ask('GET', 'students/pupil-c/overrides');
  expect(body.map(({ earned, reason }: { earned: number | null; reason: string }) => [earned, reason])).toEqual([
    [null, 'It was somebody else'],
    [950, 'Told me in person'],
  ]);
  expect((await give(100_000, 'A slip')).body.code).toBe('gradeTooHigh');
  expect((await give(100, '  ')).status).toBe(422);
  const stranger = { assignmentId: mixed, studentId: 'adaeze', earned: 1, reason: 'No student' };
  expect((await ask('POST', 'gradebook/overrides', stranger)).status).toBe(404);
});

test('it is kept as it is, whatever comes after; who is erased is erased from what was kept, too', async () => {
  school.addStudents(['pupil-d']);
  await walk('pupil-d', picked, 'right');
  const before = await read();
  const { body: kept } = await ask('POST', 'gradebook/kept', { note: 'Before the reports' });
  await ask('POST', 'gradebook/overrides', {
    ...{ assignmentId: picked, studentId: 'pupil-b', earned: 500, reason: 'Asked again' },
  });
  const after = await read();
  expect(after.kept).toEqual([expect.objectContaining({ id: kept.id, note: 'Before the reports' })]);
  const { body: then } = await ask('GET', `gradebook/kept/${kept.id}`);
  expect(then).toMatchObject({ columns: before.columns, students: before.students, rules: before.rules });
  expect(totalFor(after, 'pupil-b')).not.toBe(totalFor(then, 'pupil-b'));

  // Left the class: with what they did, below the others. Erased: nowhere.
  await ask('DELETE', 'students/pupil-d');
  expect((await read()).students.at(-1)).toMatchObject({ studentId: 'pupil-d', hasLeft: true });
  await school.as('runa').ask('POST', '/api/people/pupil-d/erasing', { name: 'pupil-d' });
  expect(
    school.db
      .select()
      .from(keptGradebookLines)
      .all()
      .map(({ studentId }) => studentId),
  ).not.toContain('pupil-d');

  expect((await ask('DELETE', `gradebook/kept/${kept.id}`)).status).toBe(204);
  expect((await ask('GET', `gradebook/kept/${kept.id}`)).status).toBe(404);
});

test('as many statements for many as for few, and at most ten', async () => {
  const adaeze = school.as('adaeze');
  const path = '/api/classes/amber/gradebook';
  await adaeze.ask('GET', path);
  const count = await countStatements(school.db, () => adaeze.ask('GET', path));
  school.addStudents(['pupil-e', 'pupil-f']);
  await walk('pupil-e', mixed, 'wrong');
  expect(await countStatements(school.db, () => adaeze.ask('GET', path))).toBe(count);
  expect(count).toBeLessThanOrEqual(10);
});

test('it opens in a spreadsheet, and as a package of results; another class gets nothing of it', async () => {
  const { bytes } = await ask('GET', 'gradebook.xlsx');
  const [sheet] = await readWorkbook(bytes);
  const [headings = [], ...rows] = sheet?.data ?? [];
  expect(headings.slice(0, 5)).toEqual(['Student', 'In the class', 'Total %', 'Homework %', 'Projects %']);
  expect(rows.find(([name]) => name === 'pupil-c')?.slice(2, 6)).toEqual([40, 80, 0, 8]);
  expect((await ask('GET', 'gradebook.csv')).text).toContain('late; 20 % less');

  const { bytes: zip } = await ask('GET', 'one-roster-results.zip');
  const files = unzipSync(new Uint8Array(zip));
  expect(new Set(Object.keys(files))).toEqual(
    new Set(['manifest.csv', 'categories.csv', 'lineItems.csv', 'results.csv']),
  );
  expect(strFromU8(files['results.csv'] ?? new Uint8Array())).toContain(`${picked},pupil-c,fully graded,8,`);
  expect(school.db.select().from(gradeOverrides).all().length).toBeGreaterThan(0);
  expect((await ask('GET', 'gradebook', undefined, 'bruno')).status).toBe(404);
});

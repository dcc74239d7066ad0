import { decodeWatching } from '@semita/core/analysis';
import readWorkbook from 'read-excel-file/node';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { attempts, partWatching, questionResults } from '../../db/schema.ts';
import { countStatements } from '../../test/count-statements.ts';
import { type School, startSchool } from '../../test/harness.ts';
import { rebuildStates } from '../attempts/rebuild-states.ts';

let school: School;
const students = Array.from({ length: 11 }, (_, i) => `pupil-${String(i).padStart(2, '0')}`);
let assignmentId: string;
const options = ['right', 'wrong'].map((id) => ({ id, text: id, correct: id === 'right', feedback: '' }));
const choice = { ...everyKind.choice, multiple: false, options, asksConfidence: true };
const lesson = lessonOf([choice, everyKind.extendedText]);
const stopAtMs = 5_000;

beforeAll(async () => {
  school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  school.addStudents(students);
  const parts = lesson.parts.map((part) => ({
    ...part,
    stops: [
      // A note before it, which the sheet counts as well.
      { id: 'note', kind: 'pause' as const, atMs: 0, note: 'Look.' },
      ...part.stops.map((stop) => ({ ...stop, atMs: stopAtMs })),
    ],
  }));
  ({ assignmentId } = await school.assignLesson({ ...lesson, parts }));
  for (const [index, studentId] of students.entries()) await walk(studentId, index);
});
afterAll(() => school.stop());

/** The first seven pick what is wrong, and go back over the film before. */
async function walk(studentId: string, index: number): Promise<void> {
  const send = await school.beginWalk(studentId, assignmentId);
  const met = (fromMs: number, toMs: number) => ({ type: 'met' as const, partId: 'part', fromMs, toMs, rate: 1 });
  await send({ type: 'opened' }, { type: 'reachedStop', stopId: 'note' }, { type: 'acknowledged', stopId: 'note' });
  await send(met(0, stopAtMs), { type: 'reachedStop', stopId: 'stop' });
  if (index < 7) await send({ type: 'sought', partId: 'part', fromMs: stopAtMs, toMs: 1_000 }, met(1_000, 3_000));
  const responses = {
    [choice.id]: { kind: 'choice' as const, optionIds: [index < 7 ? 'wrong' : 'right'], confidence: 4 as const },
    [everyKind.extendedText.id]: { kind: 'extendedText' as const, text: 'Because it bends.' },
  };
  await send({ type: 'answered', stopId: 'stop', responses });
}

const ask = (path: string) => school.as('adaeze').ask('GET', `/api/assignments/${assignmentId}/${path}`);

test('the answers are told by question, with who made the same mistake', async () => {
  const { status, body } = await ask('stops');
  expect(status).toBe(200);
  const [picked, written] = body.figures.questions;
  expect(picked).toMatchObject({ questionId: choice.id, answered: 11, waiting: 0, count: 11 });
  expect(picked.meanShare).toBeCloseTo(4 / 11, 9);
  expect(picked.sure).toEqual({ count: 11, wrong: 7 });
  expect(picked.findings).toContainEqual({ kind: 'sameWrong', pick: 'wrong', count: 7 });
  expect(written).toMatchObject({ answered: 11, waiting: 11, count: 0, meanShare: null, findings: [] });
  expect(body.figures.proposals).toContainEqual({
    kind: 'sameMistake',
    mistakes: [{ questionId: choice.id, pick: 'wrong' }],
    studentIds: students.slice(0, 7),
  });
  expect(Object.keys(body.names)).toHaveLength(11);
});

test('how the film was watched is told by student; who has left is told as that, and proposed for nothing', async () => {
  const before = await ask('watching');
  const lines = before.body.lines.part.map(({ studentId, line }: Record<string, string>) =>
    decodeWatching(studentId ?? '', line ?? ''),
  );
  expect(lines).toHaveLength(11);
  const again = lines.filter(({ rewinds }: { rewinds: readonly unknown[] }) => rewinds.length > 0);
  expect(again.map(({ studentId }: { studentId: string }) => studentId).toSorted()).toEqual(students.slice(0, 7));

  const [gone = ''] = students;
  await school.as('adaeze').ask('DELETE', `/api/classes/amber/students/${gone}`);
  const after = await ask('watching');
  expect(after.body.students).toContainEqual(expect.objectContaining({ id: gone, hasLeft: true }));
  const { body } = await ask('stops');
  expect(body.figures.questions[0].count).toBe(11);
  expect(body.figures.proposals[0].studentIds).not.toContain(gone);
});

test('it takes as many statements for many students as for few, and at most ten', async () => {
  for (const path of ['stops', 'watching']) {
    await ask(path);
    expect(await countStatements(school.db, () => ask(path)), path).toBeLessThanOrEqual(10);
  }
});

test('what is kept is the same when it is rebuilt, and is brought up to date where an older program left less', async () => {
  const stored = () => [
    ...school.db.select().from(partWatching).all(),
    ...school.db.select().from(questionResults).all(),
  ];
  const whole = new Set(stored().map((row) => JSON.stringify(row)));
  expect(rebuildStates(school.db).changed).toEqual([]);
  expect(new Set(stored().map((row) => JSON.stringify(row)))).toEqual(whole);

  const figures = (await ask('stops')).body.figures;
  school.db.delete(partWatching).run();
  school.db.update(questionResults).set({ firstPoints: null, picked: null }).run();
  school.db.update(attempts).set({ reducer: 4 }).run();
  for (const { id } of school.db.select({ id: attempts.id }).from(attempts).all()) school.services.states.forget(id);
  expect((await ask('stops')).body.figures).toEqual(figures);
  expect(new Set(stored().map((row) => JSON.stringify(row)))).toEqual(whole);
});

test('sheet and answers open in a spreadsheet: numbers are numbers, dates are dates on the class’s clock, and no name is a formula', async () => {
  school.addStudents(['=2+3', 'Ana "Bo", Ćirić', '🌉 زهرة']);
  const names = ['=2+3', 'Ana "Bo", Ćirić', '🌉 زهرة'];
  await walk('=2+3', 8);
  const adaeze = school.as('adaeze');
  const read = async (path: string) => {
    const { status, bytes } = await adaeze.ask('GET', `/api/assignments/${assignmentId}/${path}`);
    expect(status).toBe(200);
    const [sheet] = await readWorkbook(bytes);
    return sheet?.data ?? [];
  };
  const [headings = [], ...rows] = await read('sheet.xlsx');
  expect(headings.slice(0, 7)).toEqual([
    ...['Student', 'Needs', 'Progress %', 'Met %', 'Minutes'],
    ...['Last seen (Europe/Stockholm)', 'Handed in (Europe/Stockholm)'],
  ]);
  expect(rows.map(([name]) => name)).toEqual(expect.arrayContaining(names));
  const formula = rows.find(([name]) => name === '=2+3') ?? [];
  expect(formula[9]).toBe(choice.points / 100);
  // The clock of the test stands in winter time, an hour before UTC; a reader of these is a millisecond early.
  const wall = Math.round(Number(formula[5]) / 1_000) * 1_000;
  expect(Math.abs(wall - (school.clock.now + 3_600_000))).toBeLessThan(60_000);

  const [, ...answers] = await read('answers.xlsx');
  const own = answers.filter(([name]) => name === '=2+3').map((row) => row.slice(2, 10));
  expect(own).toEqual([
    [2, choice.stem, 'choice', 1, 'right', choice.points / 100, choice.points / 100, 'program'],
    [2, everyKind.extendedText.stem, 'extendedText', 1, 'Because it bends.', null, expect.any(Number), null],
  ]);
  const csv = await adaeze.ask('GET', `/api/assignments/${assignmentId}/answers.csv`);
  expect(csv.text).toContain(`\r\n"'=2+3",`);
});

test('one student over all that was given to their class; nobody of another class', async () => {
  const adaeze = school.as('adaeze');
  const { body } = await adaeze.ask('GET', '/api/classes/amber/students/pupil-03/lines');
  expect(body.student).toEqual({ id: 'pupil-03', displayName: 'pupil-03' });
  expect(body.lines).toEqual([
    { assignmentId, isExtra: false, line: expect.objectContaining({ studentId: 'pupil-03', row: expect.any(String) }) },
  ]);
  expect((await adaeze.ask('GET', '/api/classes/amber/students/bruno/lines')).status).toBe(404);
});

test('who asks for many workbooks at once is given the first few, and told to wait for the others', async () => {
  const adaeze = school.as('adaeze');
  const all = Array.from({ length: 9 }, () => adaeze.ask('GET', `/api/assignments/${assignmentId}/sheet.xlsx`));
  const statuses = (await Promise.all(all)).map(({ status }) => status);
  expect(new Set(statuses)).toEqual(new Set([200, 429]));
  expect((await adaeze.ask('GET', `/api/assignments/${assignmentId}/sheet.csv`)).status).toBe(200);
});

import { afterAll, beforeAll, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { countStatements } from '../../test/count-statements.ts';
import { type School, startSchool } from '../../test/harness.ts';

let school: School;
const options = ['right', 'wrong'].map((id) => ({ id, text: id, correct: id === 'right', feedback: '' }));
const { target: _, ...choice } = everyKind.choice;
const ask = (id: string, target?: string) => ({
  ...choice,
  ...{ id, multiple: false, options, points: 100, stem: `Question ${id}`, ...(target ? { target } : {}) },
});
const questions = [
  ask('a', 'F.1'),
  ask('b', 'f.1, F.2'),
  ask('c', 'Tells forces apart'),
  ask('d', 'In words of its own'),
  ask('e'),
];
let assignmentId: string;

const asked = (method: string, path: string, body?: object, as = 'adaeze') => school.as(as).ask(method, path, body);
const read = async () => (await asked('GET', '/api/classes/amber/mastery')).body;

async function walk(studentId: string, picks: readonly string[]): Promise<void> {
  const send = await school.beginWalk(studentId, assignmentId);
  await send({ type: 'opened' }, { type: 'reachedStop', stopId: 'stop' });
  const responses = Object.fromEntries(
    questions.map(({ id }, index) => [id, { kind: 'choice' as const, optionIds: [picks[index] ?? 'wrong'] }]),
  );
  await send({ type: 'answered', stopId: 'stop', responses });
}

beforeAll(async () => {
  school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  ({ assignmentId } = await school.assignLesson(lessonOf(questions)));
  await walk('imani', ['right', 'right', 'right', 'wrong', 'right']);
});
afterAll(() => school.stop());

test('a list is brought in, brought in again with other words, and taken out by who brought it', async () => {
  const targets = [
    { code: 'F.1', words: 'Tells forces apart', parentCode: 'F' },
    { code: 'F.2', words: 'Draws forces', parentCode: 'F' },
    { code: 'X', words: 'Nobody asks this', parentCode: null },
  ];
  expect((await asked('POST', '/api/targets', { targets })).body).toEqual({ added: 3, changed: 0 });
  const again = [{ ...targets[1], code: 'f.2', words: 'Draws forces as arrows' }, targets[0]];
  expect((await asked('POST', '/api/targets', { targets: again })).body).toEqual({ added: 0, changed: 1 });
  const { body: listed } = await asked('GET', '/api/targets', undefined, 'bruno');
  expect(listed.map(({ code, words, isOwn }: Record<string, unknown>) => [code, words, isOwn])).toEqual([
    ['F.1', 'Tells forces apart', false],
    ['f.2', 'Draws forces as arrows', false],
    ['X', 'Nobody asks this', false],
  ]);
  const last = listed.at(-1).id;
  expect((await asked('DELETE', `/api/targets/${last}`, undefined, 'bruno')).status).toBe(404);
  expect((await asked('DELETE', `/api/targets/${last}`)).status).toBe(204);
  // Another school has a list of its own.
  expect((await asked('GET', '/api/targets', undefined, 'stranger')).body).toEqual([]);
});

test('each student has come as far as their answers say; too few say nothing', async () => {
  const { targets, students } = await read();
  expect(
    targets.map(({ code, words, questionCount }: Record<string, unknown>) => [code || words, questionCount]),
  ).toEqual([
    ['F.1', 3],
    ['f.2', 1],
    ['In words of its own', 1],
  ]);
  const imani = students.find(({ id }: { id: string }) => id === 'imani');
  expect(imani.mastery[0]).toMatchObject({ count: 3, share: 1, level: 'met' });
  expect(imani.mastery[1]).toMatchObject({ count: 1, share: null, level: null });
  const { body: own } = await asked('GET', '/api/classes/amber/students/imani/mastery');
  expect(own.mastery.map(({ evidence: _, ...mastery }: Record<string, unknown>) => mastery)).toEqual(imani.mastery);
  expect(own.mastery[0].evidence).toContainEqual(
    expect.objectContaining({ assignmentId, questionId: 'b', earned: 100, possible: 100 }),
  );
  expect(own.stems.a).toBe('Question a');
  expect(own.stems.e).toBeUndefined();
  expect((await asked('GET', '/api/classes/amber/students/cobalt/mastery')).status).toBe(404);
});

test('as many statements for many students as for few, and at most ten', async () => {
  const adaeze = school.as('adaeze');
  const ask10 = () => adaeze.ask('GET', '/api/classes/amber/mastery');
  await ask10();
  const count = await countStatements(school.db, ask10);
  expect(count).toBeLessThanOrEqual(10);
  school.addStudents(['pupil-a', 'pupil-b']);
  await walk('pupil-a', ['wrong', 'wrong', 'right', 'right', 'right']);
  expect(await countStatements(school.db, ask10)).toBe(count);
  expect((await asked('GET', '/api/classes/amber/mastery', undefined, 'bruno')).status).toBe(404);
});

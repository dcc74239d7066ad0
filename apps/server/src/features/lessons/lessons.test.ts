import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { bridgeLesson } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { editions, lessons } from '../../db/schema.ts';
import { type School, startSchool } from '../../test/harness.ts';

let school: School;
beforeAll(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
  school.addMaterial('theirs', 60_000, 'bruno');
});
afterAll(() => school.stop());

async function newLesson() {
  const adaeze = school.as('adaeze');
  const { body } = await adaeze.ask('POST', '/api/lessons', { materialId: 'film' });
  const at = `/api/lessons/${body.id}`;
  const change = (baseVersion: number, ...changes: unknown[]) =>
    adaeze.ask('POST', `${at}/changes`, { baseVersion, changes });
  const read = async () => (await adaeze.ask('GET', at)).body;
  return { adaeze, at, change, read };
}

describe('a draft', () => {
  test('two tabs do not overwrite each other silently', async () => {
    const { change, read } = await newLesson();
    expect((await change(1, { type: 'setTitle', title: 'First tab' })).body.version).toBe(2);
    const late = await change(1, { type: 'setTitle', title: 'Second tab' });
    expect([late.status, late.body]).toEqual([409, { code: 'draftMoved', detail: { version: 2 } }]);
    expect((await read()).lesson.title).toBe('First tab');
  });

  test.each([
    [
      'a stop at a negative time',
      { type: 'insertStop', partId: 'p', stop: { id: 's', kind: 'pause', atMs: -1, note: '' } },
      'inputInvalid',
    ],
    ['a part that is gone', { type: 'removePart', partId: 'gone' }, 'changeImpossible'],
    [
      'a film of somebody else',
      { type: 'insertPart', index: 0, part: { ...bridgeLesson.parts[0], materialId: 'theirs' } },
      'changeImpossible',
    ],
    ['a change of no known kind', { type: 'explode' }, 'inputInvalid'],
  ])('%s is refused, and nothing changes', async (_, one, code) => {
    const { change, read } = await newLesson();
    const answer = await change(1, { type: 'setTitle', title: 'kept out' }, one);
    expect([answer.status, answer.body.code]).toEqual([422, code]);
    expect(await read()).toMatchObject({ version: 1, lesson: { title: 'film' } });
  });
});

test('an edition names what is missing, is frozen once made, and the same draft twice is one edition', async () => {
  const { adaeze, at, change, read } = await newLesson();
  const { id: partId } = (await read()).lesson.parts[0];
  await change(1, { type: 'insertStop', partId, stop: { id: 's', kind: 'pause', atMs: 5_000, note: ' ' } });
  const refused = await adaeze.ask('POST', `${at}/editions`, { draftVersion: 2 });
  expect([refused.status, refused.body]).toEqual([
    422,
    { code: 'lessonIncomplete', detail: { faults: [{ code: 'noteMissing', partId, stopId: 's' }] } },
  ]);
  await change(2, { type: 'replaceStop', partId, stop: { id: 's', kind: 'pause', atMs: 5_000, note: 'Look.' } });
  const make = async (draftVersion: number) => (await adaeze.ask('POST', `${at}/editions`, { draftVersion })).body;
  expect([await make(3), await make(3)]).toEqual([{ number: 1 }, { number: 1 }]);
  await change(3, { type: 'setTitle', title: 'Later' });
  expect((await make(3)).code).toBe('draftMoved');
  expect(await make(4)).toEqual({ number: 2 });
  const [first] = school.db.select().from(editions).all();
  expect(first?.content.title).toBe('film');
});

describe('what belongs to others is not there', () => {
  test("another teacher's, class's and school's", async () => {
    const { lessonId, assignmentId } = await school.assignLesson(bridgeLesson);
    const ask = (who: string, method: string, path: string, body?: unknown) => school.as(who).ask(method, path, body);
    const window = { opensAt: null, dueAt: null, closesAt: null };
    const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
    const answers = await Promise.all([
      ...['bruno', 'stranger'].flatMap((who) => [
        ask(who, 'GET', `/api/lessons/${lessonId}`),
        ask(who, 'POST', `/api/lessons/${lessonId}/changes`, {
          baseVersion: 1,
          changes: [{ type: 'setTitle', title: 'x' }],
        }),
        ask(who, 'POST', `/api/lessons/${lessonId}/editions`, { draftVersion: 1 }),
        ask(who, 'GET', `/api/assignments/${assignmentId}/sheet`),
        ask(who, 'GET', `/api/assignments/${assignmentId}/sheet.csv`),
        ask(who, 'GET', `/api/live?on=sheet:${assignmentId}`),
        ask(who, 'GET', `/api/assignments/${assignmentId}/students/imani`),
        ask(who, 'PATCH', `/api/assignments/${assignmentId}/window`, window),
        ask(who, 'GET', '/api/classes/amber'),
        ask(who, 'POST', '/api/assignments', { lessonId, to: [{ kind: 'class', id: 'amber' }], terms, ...window }),
      ]),
      // To a class of somebody else's; and students of other classes and schools.
      ask('adaeze', 'POST', '/api/assignments', { lessonId, to: [{ kind: 'class', id: 'bronze' }], terms, ...window }),
      ask('adaeze', 'GET', `/api/assignments/${assignmentId}/students/cobalt`),
      ask('cobalt', 'PUT', `/api/assignments/${assignmentId}/walk`),
      ask('outsider', 'PUT', `/api/assignments/${assignmentId}/walk`),
    ]);
    expect(answers.map((answer) => [answer.status, answer.text])).toEqual(
      answers.map(() => [404, '{"code":"notFound"}']),
    );
    expect(
      school.db
        .select()
        .from(lessons)
        .all()
        .find((row) => row.id === lessonId)?.version,
    ).toBe(1);
  });
});

import type { LearnerEventBody } from '@semita/core/attempt';
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { pickOne } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { bankItems, bankResults } from '../../db/schema.ts';
import { type Client, type School, startSchool } from '../../test/harness.ts';
import { rebuildStates } from '../attempts/rebuild-states.ts';

let school: School;
let adaeze: Client;
beforeAll(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
  school.addMaterial('foreign', 60_000, 'bruno');
});
beforeEach(() => {
  school.db.delete(bankItems).run();
  adaeze = school.as('adaeze');
});
afterAll(() => school.stop());

const put = async (...entries: { question: unknown; tags: string[] }[]) =>
  (await adaeze.ask('POST', '/api/bank', { entries })).body.ids as string[];
const list = async (client = adaeze) => (await client.ask('GET', '/api/bank')).body;

test('questions are kept with their tags, changed, and taken out; each teacher has their own', async () => {
  const [id = ''] = await put({ question: pickOne, tags: ['forces'] });
  expect(await list()).toMatchObject([{ id, question: pickOne, tags: ['forces'], seen: { count: 0, share: null } }]);
  const bruno = school.as('bruno');
  expect(await list(bruno)).toEqual([]);
  const entry = { question: { ...pickOne, stem: 'Which one squeezes?' }, tags: [] };
  expect((await bruno.ask('PUT', `/api/bank/${id}`, entry)).status).toBe(404);
  expect((await bruno.ask('DELETE', `/api/bank/${id}`)).status).toBe(404);
  expect((await adaeze.ask('PUT', `/api/bank/${id}`, entry)).status).toBe(204);
  expect(await list()).toMatchObject([entry]);
  expect((await adaeze.ask('DELETE', `/api/bank/${id}`)).status).toBe(204);
  expect(school.db.select().from(bankItems).all()).toEqual([]);
});

test('what a question shows must be on the teacher’s own shelf, and stays there while it does', async () => {
  const withPicture = (materialId: string) => ({ ...pickOne, picture: { materialId, alt: 'A bridge' } });
  const refused = await adaeze.ask('POST', '/api/bank', { entries: [{ question: withPicture('foreign'), tags: [] }] });
  expect([refused.status, refused.body.code]).toEqual([422, 'changeImpossible']);
  await put({ question: withPicture('film'), tags: [] });
  expect((await adaeze.ask('GET', '/api/materials/film')).body.usedIn).toEqual([pickOne.stem]);
  expect((await adaeze.ask('DELETE', '/api/materials/film')).status).toBe(422);
});

test('what students earned wherever a question was asked says how hard it is, also when computed anew', async () => {
  const [bankItemId = ''] = await put({ question: pickOne, tags: [] });
  const { assignmentId } = await school.assignLesson(lessonOf([{ ...pickOne, bankItemId }]));
  for (const [name, optionId] of [
    ['imani', 'o-compression'],
    ['tomas', 'o-tension'],
  ] as const) {
    const client = school.as(name);
    const walk = (await client.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
    expect(JSON.stringify(walk)).not.toContain(bankItemId);
    const bodies: LearnerEventBody[] = [
      { type: 'reachedStop', stopId: 'stop' },
      { type: 'answered', stopId: 'stop', responses: { 'q-one': { kind: 'choice', optionIds: [optionId] } } },
    ];
    const sittingId = crypto.randomUUID();
    const events = bodies.map((body, n) => ({ ...body, id: crypto.randomUUID(), sittingId, n, at: school.clock.now }));
    await client.ask('POST', `/api/attempts/${walk.attemptId}/events`, { events });
  }
  const stored = () =>
    school.db
      .select()
      .from(bankResults)
      .all()
      .map(({ earned }) => earned)
      .toSorted((a, b) => a - b);
  expect(stored()).toEqual([0, 200]);
  expect((await list())[0].seen).toEqual({ count: 2, share: null });
  school.db.delete(bankResults).run();
  rebuildStates(school.db);
  expect(stored()).toEqual([0, 200]);
});

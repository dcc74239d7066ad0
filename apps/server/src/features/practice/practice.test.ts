import type { LearnerEventBody } from '@semita/core/attempt';
import type { OpenedPractice } from '@semita/core/contract';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { createSender, type School, startSchool } from '../../test/harness.ts';

let school: School;
let lessonId: string;
beforeEach(async () => {
  school = await startSchool();
  for (const id of ['film', 'other']) school.addMaterial(id, 60_000);
  lessonId = await school.makeLesson(bridgeLesson);
});
afterEach(() => school.stop());

const set = (body: object = {}) =>
  school.as('adaeze').ask('PUT', `/api/lessons/${lessonId}/practice-link`, {
    ...{ isOpen: true, isNew: false, frames: [] },
    ...body,
  });
const tokenOf = async (body: object = {}): Promise<string> => (await set(body)).body.token;
const visit = (method: string, token: string, path: string, body?: object) =>
  school.visitor().ask(method, `/api/practice/${token}/${path}`, body);
const open = async (token: string): Promise<OpenedPractice> => (await visit('POST', token, 'opening')).body;

/** Sends all that was done so far with each of some steps, as the page does. */
async function walk(token: string, bodies: readonly LearnerEventBody[]) {
  const { walkId, begunAt } = await open(token);
  const event = createSender(school.clock);
  const events: object[] = [event({ type: 'opened' })];
  let last = await visit('POST', token, 'walk', { walkId, begunAt, events });
  for (const body of bodies) {
    school.clock.now += 60_000;
    events.push(event(body));
    last = await visit('POST', token, 'walk', { walkId, begunAt, events });
  }
  return last.body;
}

/** Every row of every table, but for what the link itself is. */
const allRows = () => {
  const names = school.db.$client
    .prepare("select name from sqlite_master where type = 'table'")
    .pluck()
    .all() as string[];
  return JSON.stringify(names.map((name) => [name, school.db.$client.prepare(`select * from "${name}"`).all()]));
};

describe('a practice link', () => {
  test('is walked like any lesson, and nothing of it is kept', async () => {
    const token = await tokenOf();
    const before = allRows();
    const { outcomes, view } = await walk(token, wholeWalk);
    expect(new Set(outcomes.map(({ kind }: { kind: string }) => kind))).toEqual(new Set(['taken']));
    expect(view.state.handedInAt).not.toBeNull();
    expect(Object.keys(view.results).length).toBeGreaterThan(0);
    expect(allRows()).toBe(before);
  });

  test('gives away no answer before it was given', async () => {
    for (const id of ['picture']) school.addMaterial(id, 60_000);
    lessonId = await school.makeLesson(lessonOf(Object.values(everyKind)));
    const everything = (await open(await tokenOf())).view;
    expect(everything.lesson.parts.flatMap(({ stops }) => stops).length).toBeGreaterThan(0);
    // What is matched up has its targets in sight, mixed; everything else of that name is a key.
    expect(JSON.stringify(everything)).not.toMatch(/"(correct|answerKey|accepted|teacherNote|isCorrect|tolerance)"/);
    lessonId = await school.makeLesson(bridgeLesson);
    const { view, terms } = await open(await tokenOf());
    expect(JSON.stringify(view)).not.toMatch(/"(correct|answerKey|targets|accepted|teacherNote)"/);
    expect([view.lesson.title, terms.turningBack]).toEqual([bridgeLesson.title, true]);
  });

  test('shows the materials of its lesson to anybody, and no others', async () => {
    const token = await tokenOf();
    expect((await visit('GET', token, 'materials/film/captions')).status).toBe(200);
    expect((await visit('GET', token, 'materials/other/captions')).status).toBe(404);
    expect((await visit('GET', token, 'materials/other/media')).status).toBe(404);
    expect((await school.visitor().ask('GET', '/api/materials/film/captions')).status).toBe(401);
  });

  test('is off when it is turned off, another when it is renewed, and its owner’s alone', async () => {
    const token = await tokenOf();
    await set({ isOpen: false });
    expect((await visit('POST', token, 'opening')).status).toBe(404);
    expect((await visit('GET', token, 'materials/film/captions')).status).toBe(404);
    expect(await tokenOf()).toBe(token);
    const renewed = await tokenOf({ isNew: true });
    expect(renewed).not.toBe(token);
    expect([(await visit('POST', token, 'opening')).status, (await visit('POST', renewed, 'opening')).status]).toEqual([
      404, 200,
    ]);
    await school.as('adaeze').ask('DELETE', `/api/lessons/${lessonId}`);
    expect((await visit('POST', renewed, 'opening')).status).toBe(404);
    expect((await school.as('bruno').ask('GET', `/api/lessons/${lessonId}/practice-link`)).status).toBe(404);
  });

  test('goes on in the newest edition', async () => {
    const token = await tokenOf();
    const draft = (await school.as('adaeze').ask('GET', `/api/lessons/${lessonId}`)).body;
    const changes = [{ type: 'setTitle', title: 'Newer' }];
    const saved = await school
      .as('adaeze')
      .ask('POST', `/api/lessons/${lessonId}/changes`, { baseVersion: draft.version, changes });
    await school.as('adaeze').ask('POST', `/api/lessons/${lessonId}/editions`, { draftVersion: saved.body.version });
    expect((await open(token)).view.lesson.title).toBe('Newer');
  });

  test('what is no walk is refused, and harms nobody', async () => {
    const token = await tokenOf();
    const { walkId, begunAt } = await open(token);
    const event = createSender(school.clock);
    const opened = event({ type: 'opened' });
    for (const body of [
      { walkId: 'short', begunAt, events: [opened] },
      { walkId, begunAt, events: [] },
      { walkId, begunAt, events: Array(2_001).fill(opened) },
    ])
      expect((await visit('POST', token, 'walk', body)).status).toBe(422);
    const late = { walkId, begunAt: school.clock.now + 10 ** 12, events: [opened] };
    expect((await visit('POST', token, 'walk', late)).status).toBe(200);
  });
});

describe('sites that may frame it', () => {
  test.each([
    ['https://class.example', 'https://class.example'],
    ['https://Class.example/a/page?x=1', 'https://class.example'],
    ['http://localhost:8080/', 'http://localhost:8080'],
  ])('%s is %s', async (typed, stored) => {
    expect((await set({ frames: [typed] })).body.frames).toEqual([stored]);
  });

  test.each([
    '*',
    'https://*',
    'https://*.example',
    "https://a.example 'self'",
    'javascript:alert(1)',
    'class.example',
    'https://a;b',
  ])('%s is none', async (typed) => {
    expect((await set({ frames: [typed] })).body.code).toBe('inputInvalid');
  });
});

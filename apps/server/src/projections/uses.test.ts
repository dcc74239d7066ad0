import type { LessonSummary, Material } from '@semita/core/contract';
import type { Lesson, LessonChange } from '@semita/core/lesson';
import { v7 } from 'uuid';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { everyKind } from '../../../../packages/core/src/examples/every-kind.ts';
import { lessonSummaries, lessons, lessonUses } from '../db/schema.ts';
import { countStatements } from '../test/count-statements.ts';
import { type Client, type School, startSchool } from '../test/harness.ts';
import { readUses } from '../test/read-uses.ts';
import { rebuildUses } from './rebuild-uses.ts';

let school: School;
let adaeze: Client;
beforeAll(async () => {
  school = await startSchool();
  adaeze = school.as('adaeze');
  for (const id of ['film', 'other', 'picture', 'spare']) school.addMaterial(id, 60_000);
});
afterAll(() => school.stop());

const usedIn = async (): Promise<Record<string, readonly string[]>> => {
  const { body } = await adaeze.ask('GET', '/api/materials');
  return Object.fromEntries((body as Material[]).map((material) => [material.id, material.usedIn.toSorted()]));
};
const create = async (materialId: string | null): Promise<string> =>
  (await adaeze.ask('POST', '/api/lessons', { materialId })).body.id;
const readDraft = async (lessonId: string) => (await adaeze.ask('GET', `/api/lessons/${lessonId}`)).body;
async function change(lessonId: string, ...changes: LessonChange[]) {
  const { version } = await readDraft(lessonId);
  const answer = await adaeze.ask('POST', `/api/lessons/${lessonId}/changes`, { baseVersion: version, changes });
  expect(answer.status).toBe(200);
}
async function makeEdition(lessonId: string) {
  const { version } = await readDraft(lessonId);
  const order = { draftVersion: version, acceptsPicturesWithoutAlt: true };
  expect((await adaeze.ask('POST', `/api/lessons/${lessonId}/editions`, order)).status).toBe(200);
}
const onShelf = async (lessonId: string): Promise<LessonSummary> =>
  ((await adaeze.ask('GET', '/api/lessons')).body as LessonSummary[]).find(
    ({ id }) => id === lessonId,
  ) as LessonSummary;

/** What is stored is what reading everything anew gives. */
function expectTrue() {
  const lessonsUsed = () =>
    school.db
      .select()
      .from(lessonUses)
      .all()
      .map((row) => JSON.stringify(row))
      .toSorted();
  const before = [readUses(school.db), lessonsUsed()];
  rebuildUses(school.db);
  expect([readUses(school.db), lessonsUsed()]).toEqual(before);
}

test('where a material is shown is known from its saving on, and until nothing shows it any more', async () => {
  const lessonId = await create('film');
  await change(lessonId, { type: 'setTitle', title: 'Over the water' });
  expect((await usedIn()).film).toEqual(['Over the water']);
  const { lesson } = (await readDraft(lessonId)) as { lesson: Lesson };
  const stop = { id: 'stop', kind: 'checkpoint', atMs: 1_000, required: true } as const;
  const asked = { ...everyKind.choice, picture: { materialId: 'picture', alt: 'A bridge' } };
  const partId = lesson.parts[0]?.id as string;
  await change(lessonId, { type: 'insertStop', partId, stop: { ...stop, questions: [asked] } });
  expect((await usedIn()).picture).toEqual(['Over the water']);
  await makeEdition(lessonId);
  await change(lessonId, { type: 'removePart', partId });
  // The edition goes on showing them.
  expect(await usedIn()).toMatchObject({ film: ['Over the water'], picture: ['Over the water'], spare: [] });
  expectTrue();
});

test('so it is with slides made here and questions of the bank', async () => {
  const slide = {
    id: 's1',
    heading: 'Cables',
    text: '',
    pictures: [],
    notes: '',
    colour: '#ffffff',
    backgroundId: null,
  };
  const deck = {
    portrait: false,
    slides: [{ ...slide, film: { materialId: 'other', title: 'A film' } }],
  };
  const saved = await adaeze.ask('POST', '/api/made-slides', {
    materialId: null,
    title: 'Slides of mine',
    deck,
    before: null,
    saveId: v7(),
  });
  expect([saved.status, saved.body]).toMatchObject([200, {}]);
  const question = { ...everyKind.choice, picture: { materialId: 'other', alt: 'x' }, stem: 'Which force?' };
  const { body } = await adaeze.ask('POST', '/api/bank', { entries: [{ question, tags: [] }] });
  expect((await usedIn()).other).toEqual(['Slides of mine', 'Which force?']);
  expectTrue();
  await adaeze.ask('PUT', `/api/bank/${body.ids[0]}`, { question: { ...question, picture: undefined }, tags: [] });
  expect((await usedIn()).other).toEqual(['Slides of mine']);
  expect((await adaeze.ask('DELETE', '/api/materials/other')).status).toBe(422);
});

test('a lesson that shows another is as long on the shelf as the other is now', async () => {
  const inner = await create('film');
  await makeEdition(inner);
  const outer = await create(null);
  await change(outer, {
    type: 'insertPart',
    part: { id: 'link', kind: 'lesson', title: '', inMs: 0, outMs: 1, stops: [], lessonId: inner, editionNumber: null },
    index: 0,
  });
  expect((await onShelf(outer)).filmMs).toBe(60_000);
  const { lesson } = (await readDraft(inner)) as { lesson: Lesson };
  await change(inner, {
    type: 'setWindow',
    partId: lesson.parts[0]?.id as string,
    inMs: 0,
    outMs: 20_000,
  });
  expect((await onShelf(inner)).filmMs).toBe(20_000);
  expect((await onShelf(outer)).filmMs).toBe(60_000);
  await makeEdition(inner);
  expect((await onShelf(outer)).filmMs).toBe(20_000);
  expectTrue();
});

test('the shelf is read with as many statements however full it is, and says the same when nothing is known yet', async () => {
  const statements = () =>
    countStatements(school.db, async () => {
      await adaeze.ask('GET', '/api/materials');
      await adaeze.ask('GET', '/api/lessons');
    });
  await onShelf('');
  const few = await statements();
  const before = (await adaeze.ask('GET', '/api/lessons')).body;
  const row = school.db.select().from(lessons).all()[0] as typeof lessons.$inferSelect;
  for (let i = 0; i < 100; i++) {
    school.addMaterial(`more-${i}`, 1_000);
    school.db
      .insert(lessons)
      .values({ ...row, id: `more-${i}` })
      .run();
  }
  await onShelf('');
  expect(await statements()).toBe(few);
  expect(few).toBeLessThanOrEqual(10);
  school.db.delete(lessonSummaries).run();
  const after = (await adaeze.ask('GET', '/api/lessons')).body as LessonSummary[];
  expect(after.filter(({ id }) => !id.startsWith('more-'))).toEqual(before);
});

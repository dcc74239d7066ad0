import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { type School, startSchool } from '../../test/harness.ts';

let school: School;
beforeAll(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
});
afterAll(() => school.stop());

const place = { inMs: 0, outMs: 1, stops: [] };
const link = (id: string, lessonId: string, editionNumber: number | null) => ({
  ...{ type: 'insertPart', index: 9 },
  part: { ...place, id, kind: 'lesson', title: id, lessonId, editionNumber },
});

/** A lesson of the film, and what can be done with it. */
async function newLesson(title: string) {
  const adaeze = school.as('adaeze');
  const { body } = await adaeze.ask('POST', '/api/lessons', { materialId: 'film' });
  const at = `/api/lessons/${body.id}`;
  const read = async () => (await adaeze.ask('GET', at)).body;
  const change = async (...changes: unknown[]) =>
    adaeze.ask('POST', `${at}/changes`, { baseVersion: (await read()).version, changes });
  const makeEdition = async () =>
    (await adaeze.ask('POST', `${at}/editions`, { draftVersion: (await read()).version })).body;
  const edition = async (number: number | 'newest') => (await adaeze.ask('GET', `${at}/editions/${number}`)).body;
  await change({ type: 'setTitle', title });
  return { id: body.id as string, read, change, makeEdition, edition };
}

const titles = ({ lesson }: { lesson: { parts: { title: string }[] } }) => lesson.parts.map(({ title }) => title);

async function assign(lessonId: string): Promise<string> {
  const window = { opensAt: null, dueAt: null, closesAt: null };
  const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
  const { body } = await school.as('adaeze').ask('POST', '/api/assignments', {
    lessonId,
    to: [{ kind: 'class', id: 'amber' }],
    terms,
    isAgain: true,
    ...window,
  });
  return body.id;
}

describe('a lesson that shows another', () => {
  test('holds it in its edition: the newest follows, one that was named stays', async () => {
    const inner = await newLesson('Inner');
    const innerPart = (await inner.read()).lesson.parts[0].id;
    await inner.change({ type: 'setPartTitle', partId: innerPart, title: 'First' });
    await inner.makeEdition();
    const follows = await newLesson('Follows');
    await follows.change(link('link-f', inner.id, null));
    const stays = await newLesson('Stays');
    await stays.change(link('link-s', inner.id, 1));
    expect([await follows.makeEdition(), await stays.makeEdition()]).toEqual([{ number: 1 }, { number: 1 }]);
    expect(titles(await follows.edition(1))).toEqual(['film', 'First']);
    const unbegun = await assign(follows.id);
    const begun = await assign(follows.id);
    await school.as('imani').ask('PUT', `/api/assignments/${begun}/walk`);

    await inner.change({ type: 'setPartTitle', partId: innerPart, title: 'Second' });
    expect(await inner.makeEdition()).toEqual({ number: 2 });
    expect(titles(await follows.edition('newest'))).toEqual(['film', 'Second']);
    expect((await follows.edition('newest')).number).toBe(2);
    expect(titles(await stays.edition('newest'))).toEqual(['film', 'First']);
    const editionOf = async (id: string) => (await school.as('adaeze').ask('GET', `/api/assignments/${id}/sheet`)).body;
    expect((await editionOf(unbegun)).editionNumber).toBe(2);
    expect((await editionOf(begun)).editionNumber).toBe(1);
  });

  test('is followed through lessons that show it in turn', async () => {
    const inner = await newLesson('Deep');
    await inner.makeEdition();
    const middle = await newLesson('Middle');
    await middle.change(link('link-m', inner.id, null));
    await middle.makeEdition();
    const outer = await newLesson('Outer');
    await outer.change(link('link-o', middle.id, null));
    await outer.makeEdition();
    const innerPart = (await inner.read()).lesson.parts[0].id;
    await inner.change({ type: 'setPartTitle', partId: innerPart, title: 'Renewed' });
    await inner.makeEdition();
    expect(titles(await outer.edition('newest'))).toEqual(['film', 'film', 'Renewed']);
    // On the shelf, a lesson is as long as all it shows.
    const shelf: { title: string; filmMs: number; stopCount: number }[] = (
      await school.as('adaeze').ask('GET', '/api/lessons')
    ).body;
    const [all, one] = ['Outer', 'Deep'].map((title) => shelf.find((row) => row.title === title));
    expect([all?.filmMs, all?.stopCount]).toEqual([3 * (one?.filmMs ?? 0), 3 * (one?.stopCount ?? 0)]);
    expect(one?.filmMs).toBeGreaterThan(0);
  });

  test('may not show one that shows it, nor one without an edition, nor one of somebody else', async () => {
    const first = await newLesson('First of a ring');
    await first.makeEdition();
    const second = await newLesson('Second of a ring');
    await second.change(link('link-1', first.id, null));
    await second.makeEdition();
    await first.change(link('link-2', second.id, null));
    expect(await first.makeEdition()).toMatchObject({
      code: 'lessonIncomplete',
      detail: { faults: [{ code: 'lessonLoop', partId: 'link-2' }] },
    });
    const draft = await newLesson('Never an edition');
    const outer = await newLesson('Shows a draft');
    await outer.change(link('link-3', draft.id, null), link('link-4', 'somebody-elses', 1));
    expect(await outer.makeEdition()).toMatchObject({
      detail: {
        faults: [
          { code: 'lessonMissing', partId: 'link-3' },
          { code: 'lessonMissing', partId: 'link-4' },
        ],
      },
    });
    expect((await school.as('bruno').ask('GET', `/api/lessons/${first.id}/editions/1`)).status).toBe(404);
    expect((await school.as('adaeze').ask('GET', `/api/lessons/${first.id}/editions/nine`)).status).toBe(404);
  });
});

test('groups are kept with the class, and those who begin are in them', async () => {
  const adaeze = school.as('adaeze');
  const saved = await adaeze.ask('PATCH', '/api/classes/amber/students/imani', {
    groups: [' ready ', 'plain', 'ready'],
  });
  expect(saved.status).toBe(204);
  expect((await adaeze.ask('GET', '/api/groups')).body).toEqual(['plain', 'ready']);
  expect((await school.as('bruno').ask('GET', '/api/groups')).body).toEqual([]);
  const lesson = await newLesson('For some');
  const extra = { ...place, id: 'extra', kind: 'task', title: 'Extra', onlyFor: ['ready'] };
  const note = { id: 'note', kind: 'pause', atMs: 0, note: 'More.' };
  await lesson.change({ type: 'insertPart', index: 9, part: { ...extra, stops: [note] } });
  await lesson.makeEdition();
  const assignmentId = await assign(lesson.id);
  const walk = async (who: string) => (await school.as(who).ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
  expect(titles((await walk('imani')).view)).toEqual(['film', 'Extra']);
  expect(titles((await walk('tomas')).view)).toEqual(['film']);
});

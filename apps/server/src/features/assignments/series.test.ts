import type { Series, TodoItem } from '@semita/core/contract';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { createSender, type School, startSchool } from '../../test/harness.ts';

let school: School;
let lessonIds: string[];
beforeEach(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
  lessonIds = [];
  for (const title of ['Load', 'Span', 'Arch'])
    lessonIds.push(await school.makeLesson({ ...bridgeLesson, title: `About ${title}` }));
});
afterEach(() => school.stop());

const noDates = { opensAt: null, dueAt: null, closesAt: null };
const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
const ask = (who: string, method: string, path: string, body?: object) => school.as(who).ask(method, path, body);

const give = (afterPercents: readonly (number | null)[] = [null, 0, 50], more: object = {}) =>
  ask('adaeze', 'POST', '/api/series', {
    ...{ title: 'Bridges', to: [{ kind: 'class', id: 'amber' }], terms },
    steps: lessonIds.map((lessonId, index) => ({
      ...{ lessonId, ...noDates, afterPercent: afterPercents[index] ?? null, isExtra: false },
    })),
    ...more,
  });

const todo = async (who = 'imani'): Promise<TodoItem[]> =>
  ((await ask(who, 'GET', '/api/todo')).body.items as TodoItem[]).toSorted((a, b) =>
    (a.series?.number ?? 9) < (b.series?.number ?? 9) ? -1 : 1,
  );
const read = async (seriesId: string): Promise<Series> => (await ask('adaeze', 'GET', `/api/series/${seriesId}`)).body;
const idsOf = async (seriesId: string) => (await read(seriesId)).steps.map(({ assignmentId }) => assignmentId);

/** Walks a whole lesson, and hands it in. */
async function walk(who: string, assignmentId: string) {
  const begun = await ask(who, 'PUT', `/api/assignments/${assignmentId}/walk`);
  const event = createSender(school.clock);
  for (const body of wholeWalk) {
    school.clock.now += 60_000;
    await ask(who, 'POST', `/api/attempts/${begun.body.attemptId}/events`, { events: [event(body)] });
  }
}

/** All written answers, so that all points are earned. */
const markFully = (assignmentId: string, studentId: string) =>
  ask('adaeze', 'POST', `/api/assignments/${assignmentId}/students/${studentId}/marks`, {
    ...{ stopId: 's-two', questionId: 'q-written', points: 400, comment: '' },
  });

describe('steps that wait for the one before', () => {
  test('open one after another, each with what it asks for', async () => {
    const { body } = await give();
    const [first = '', second = '', third = ''] = await idsOf(body.id);
    const before = await todo();
    expect(before.map(({ series }) => [series?.title, series?.number, series?.count, series?.done])).toEqual([
      ['Bridges', 1, 3, 0],
      ['Bridges', 2, 3, 0],
      ['Bridges', 3, 3, 0],
    ]);
    expect(before.map(({ waitsFor }) => waitsFor ?? null)).toEqual([
      null,
      { title: 'About Load', percent: 0 },
      { title: 'About Span', percent: 50 },
    ]);
    // Whoever knows its address does not get in, neither to the questions nor, of another film, to that.
    expect((await ask('imani', 'PUT', `/api/assignments/${second}/walk`)).body.code).toBe('stepNotOpen');

    await walk('imani', first);
    expect((await todo()).map(({ waitsFor }) => waitsFor?.title ?? null)).toEqual([null, null, 'About Span']);
    await walk('imani', second);
    // 100 of 900 points and 400 that wait for a teacher.
    expect((await ask('imani', 'PUT', `/api/assignments/${third}/walk`)).body.code).toBe('stepNotOpen');
    await markFully(second, 'imani');
    expect((await ask('imani', 'PUT', `/api/assignments/${third}/walk`)).status).toBe(200);
    // What is begun stays open, whatever becomes of the one before.
    expect((await todo()).map(({ waitsFor, begun }) => [waitsFor ?? null, begun])).toEqual(Array(3).fill([null, true]));
    // Nobody else is where she is.
    expect((await todo('tomas'))[1]?.waitsFor?.title).toBe('About Load');
  });

  test('wait for nobody who is excused, and for nothing that was taken back', async () => {
    const { body } = await give([null, 0, 0]);
    const [first = '', second = ''] = await idsOf(body.id);
    await ask('adaeze', 'POST', `/api/assignments/${first}/adjustments`, {
      ...{ studentIds: ['imani'], change: { kind: 'excused' } },
    });
    expect((await ask('imani', 'PUT', `/api/assignments/${second}/walk`)).status).toBe(200);
    expect((await ask('tomas', 'PUT', `/api/assignments/${second}/walk`)).body.code).toBe('stepNotOpen');
    await ask('adaeze', 'POST', `/api/assignments/${first}/taking-back`, { isTakenBack: true });
    expect((await ask('tomas', 'PUT', `/api/assignments/${second}/walk`)).status).toBe(200);
    expect(await idsOf(body.id)).toHaveLength(2);
  });

  test('show nothing of their material before they open', async () => {
    school.addMaterial('later', 60_000);
    const later = structuredClone(bridgeLesson);
    const parts = later.parts.map((part) => ('materialId' in part ? { ...part, materialId: 'later' } : part));
    lessonIds[1] = await school.makeLesson({ ...later, title: 'Later', parts });
    const { body } = await give([null, 0, null]);
    const [first = ''] = await idsOf(body.id);
    const captions = () => ask('imani', 'GET', '/api/materials/later/captions');
    expect((await captions()).status).toBe(404);
    await walk('imani', first);
    expect((await captions()).status).toBe(200);
  });
});

describe('who gives a series', () => {
  test('sees where everybody is, over all of it', async () => {
    const { body } = await give();
    const [first = ''] = await idsOf(body.id);
    await walk('imani', first);
    const { steps, students, runs } = await read(body.id);
    expect([steps.map(({ title }) => title), runs]).toEqual([['About Load', 'About Span', 'About Arch'], true]);
    const imani = students.find(({ studentId }) => studentId === 'imani');
    expect([imani?.done, imani?.count]).toEqual([1, 3]);
    expect(imani?.cells.map((cell) => [cell?.begun, cell?.waits])).toEqual([
      [true, false],
      [false, false],
      [false, true],
    ]);
  });

  test('changes its order and what its steps wait for', async () => {
    const { body } = await give();
    const [first = '', second = '', third = ''] = await idsOf(body.id);
    const steps = [
      { assignmentId: third, afterPercent: null },
      { assignmentId: first, afterPercent: null },
      { assignmentId: second, afterPercent: 0 },
    ];
    expect((await ask('adaeze', 'PUT', `/api/series/${body.id}`, { title: 'Spans', steps })).status).toBe(204);
    expect([(await read(body.id)).title, await idsOf(body.id)]).toEqual(['Spans', [third, first, second]]);
    expect((await todo()).map(({ title, waitsFor }) => [title, waitsFor?.title ?? null])).toEqual([
      ['About Arch', null],
      ['About Load', null],
      ['About Span', 'About Load'],
    ]);
    // All of its steps, each once.
    for (const wrong of [steps.slice(1), [...steps.slice(1), steps[1]]])
      expect((await ask('adaeze', 'PUT', `/api/series/${body.id}`, { title: 'x', steps: wrong })).status).toBe(422);
  });

  test('gives all of it or nothing', async () => {
    const faulty = await give([null, 0, 0], {
      steps: lessonIds.map((lessonId, index) => ({
        ...{ lessonId, ...noDates, afterPercent: null, isExtra: false },
        ...(index === 2 ? { opensAt: '2026-12-09T12:00', dueAt: '2026-12-08T12:00' } : {}),
      })),
    });
    expect(faulty.body.code).toBe('windowOutOfOrder');
    expect(await todo()).toEqual([]);
    await give();
    expect((await give()).body.code).toBe('alreadyGiven');
    expect((await give([null, 0, 0], { isAgain: true })).status).toBe(200);
    expect(await todo()).toHaveLength(6);
  });

  test('tells nobody of what they cannot begin', async () => {
    await give();
    await school.services.tellStudents();
    const { items } = (await ask('imani', 'GET', '/api/notices')).body;
    expect(items.map(({ kind, title }: { kind: string; title: string }) => [kind, title])).toEqual([
      ['new', 'About Load'],
    ]);
  });

  test('is rid of it when its last step is', async () => {
    const { body } = await give();
    for (const id of await idsOf(body.id))
      await ask('adaeze', 'POST', `/api/assignments/${id}/taking-back`, { isTakenBack: true });
    school.clock.now += 31 * 24 * 3_600_000;
    await school.services.clearAway();
    expect((await ask('adaeze', 'GET', `/api/series/${body.id}`)).status).toBe(404);
  });
});

test('an extra of a series keeps nobody waiting', async () => {
  const steps = lessonIds.map((lessonId, index) => ({
    ...{ lessonId, ...noDates, afterPercent: index === 2 ? 0 : null, isExtra: index === 1 },
  }));
  const { body } = await give([], { steps });
  const [first = ''] = await idsOf(body.id);
  await walk('imani', first);
  const items = await todo();
  expect(items.map(({ isExtra, waitsFor, series }) => [isExtra, waitsFor ?? null, series?.number])).toEqual([
    [false, null, 1],
    [false, null, 2],
    [true, null, null],
  ]);
});

import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { bridgeLesson } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { type School, startSchool } from '../../test/harness.ts';
import { copyTitle } from './lesson-service.ts';

let school: School;
beforeAll(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
});
afterAll(() => school.stop());

describe('a lesson', () => {
  const titles = async (path: string) =>
    (await school.as('adaeze').ask('GET', path)).body.map(({ title }: { title: string }) => title);

  test('is copied, and the copy goes its own way', async () => {
    const adaeze = school.as('adaeze');
    const { body: created } = await adaeze.ask('POST', '/api/lessons', { materialId: 'film' });
    const at = `/api/lessons/${created.id}`;
    const read = async () => (await adaeze.ask('GET', at)).body;
    await adaeze.ask('POST', `${at}/changes`, { baseVersion: 1, changes: [{ type: 'setTitle', title: 'Copied' }] });
    const { id } = (await adaeze.ask('POST', `${at}/copies`)).body;
    const copy = (await adaeze.ask('GET', `/api/lessons/${id}`)).body;
    expect(copy.lesson).toEqual({ ...(await read()).lesson, title: 'Copied (copy)' });
    await adaeze.ask('POST', `/api/lessons/${id}/changes`, {
      baseVersion: 1,
      changes: [{ type: 'setTitle', title: 'Its own' }],
    });
    expect((await read()).lesson.title).toBe('Copied');
    expect((await school.as('bruno').ask('POST', `${at}/copies`)).status).toBe(404);
  });

  test.each([
    ['Bridges', 'Bridges (copy)'],
    ['Bridges (copy)', 'Bridges (copy 2)'],
    ['Bridges (copy 9)', 'Bridges (copy 10)'],
    ['', ' (copy)'],
    ['x'.repeat(500), `${'x'.repeat(493)} (copy)`],
  ])('%s is copied as %s', (title, expected) => expect(copyTitle(title)).toBe(expected));

  test('goes into the bin and comes back; what was given of it stays', async () => {
    const { assignmentId, lessonId } = await school.assignLesson({ ...bridgeLesson, title: 'In the bin' });
    const adaeze = school.as('adaeze');
    expect((await adaeze.ask('DELETE', `/api/lessons/${lessonId}`)).status).toBe(204);
    expect(await titles('/api/lessons')).not.toContain('In the bin');
    expect(await titles('/api/bin/lessons')).toContain('In the bin');
    expect((await school.as('imani').ask('PUT', `/api/assignments/${assignmentId}/walk`)).status).toBe(200);
    await adaeze.ask('POST', `/api/lessons/${lessonId}/bringing-back`);
    expect(await titles('/api/lessons')).toContain('In the bin');
    expect(await titles('/api/bin/lessons')).not.toContain('In the bin');
  });
});

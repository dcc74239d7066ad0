import { type Audience, type Route, routes } from '@semita/core/contract';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { sessions } from './db/schema.ts';
import { password, type School, startSchool } from './test/harness.ts';

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

/** Every route as every role: the audience in the table is what happens. */
describe('audiences', () => {
  const roles = { nobody: null, teacher: 'adaeze', student: 'imani' } as const;
  const admits = (audience: Audience, role: keyof typeof roles) =>
    audience === 'anyone' || (audience === 'signedIn' ? role !== 'nobody' : audience === role);
  const cases = Object.entries(routes).flatMap(([name, route]) =>
    (Object.keys(roles) as (keyof typeof roles)[]).map((role) => [name, role, route as Route] as const),
  );
  test.each(cases)('%s as %s', async (name, role, route) => {
    const userId = roles[role];
    const client = userId ? school.as(userId) : school.visitor();
    const path = route.path.replace(/:\w+/g, 'missing');
    const answer = await client.ask(route.method, path, route.body ? {} : undefined);
    if (!admits(route.audience, role)) {
      const expected = role === 'nobody' && route.audience !== 'demoVisitor' ? 401 : 404;
      expect(answer.status).toBe(expected);
    } else if (path.includes('missing')) {
      // What is not there, or not well said: never a success, never an error of ours.
      expect([404, 422]).toContain(answer.status);
    } else {
      expect(answer.status, `${name}: ${answer.text}`).toBeLessThan(500);
      expect(answer.status).not.toBe(401);
    }
  });
});

describe('signing in', () => {
  test.each([
    ['adaeze@example.org', 'teacher'],
    ['ADAEZE@Example.org ', 'teacher'],
    ['imani', 'student'],
  ])('%s is a %s', async (name, role) => {
    const client = school.visitor();
    const answer = await client.ask('POST', '/api/session', { name, password });
    expect([answer.status, answer.body.roles]).toEqual([200, [role]]);
    expect(answer.headers.get('set-cookie')).toMatch(/HttpOnly/);
    expect(answer.headers.get('set-cookie')).toMatch(/SameSite=Lax/);
    expect((await client.ask('GET', '/api/session')).body.me.roles).toEqual([role]);
  });

  test('a wrong name and a wrong password get the same answer', async () => {
    const wrongName = await school.visitor().ask('POST', '/api/session', { name: 'nobody', password });
    const wrongPassword = await school.visitor().ask('POST', '/api/session', { name: 'tomas', password: 'wrong' });
    expect([wrongName.status, wrongName.text]).toEqual([wrongPassword.status, wrongPassword.text]);
    expect(wrongName.body.code).toBe('signInFailed');
  });

  test('after ten failures a name has to wait, others from the same address do not', async () => {
    for (let i = 0; i < 10; i++)
      await school.visitor().ask('POST', '/api/session', { name: 'cobalt', password: 'guess' });
    const next = await school.visitor().ask('POST', '/api/session', { name: 'cobalt', password });
    expect([next.status, next.body.code]).toEqual([429, 'signInThrottled']);
    expect((await school.visitor().ask('POST', '/api/session', { name: 'imani', password })).status).toBe(200);
  });

  test('signing out ends one session, signing out everywhere ends all', async () => {
    const [laptop, phone, tablet] = [school.as('tomas'), school.as('tomas'), school.as('tomas')];
    const before = laptop.cookie;
    await laptop.ask('DELETE', '/api/session');
    laptop.cookie = before;
    expect((await laptop.ask('GET', '/api/todo')).status).toBe(401);
    expect((await phone.ask('GET', '/api/todo')).status).toBe(200);
    await phone.ask('DELETE', '/api/sessions');
    expect((await tablet.ask('GET', '/api/todo')).status).toBe(401);
  });

  test('an old session is no session, and no token is stored as it is', async () => {
    const client = school.as('imani');
    const token = client.cookie.split('=')[1] ?? '';
    expect(
      school.db
        .select()
        .from(sessions)
        .all()
        .some((row) => row.tokenHash === token),
    ).toBe(false);
    school.clock.now += 31 * 24 * 3_600_000;
    expect((await client.ask('GET', '/api/todo')).status).toBe(401);
    school.clock.now -= 31 * 24 * 3_600_000;
  });
});

test('without the demo there is no demo door; with it, only its people can be entered as', async () => {
  expect((await school.visitor().ask('GET', '/api/demo/people')).status).toBe(404);
  expect((await school.visitor().ask('POST', '/api/demo/enter', { personId: 'imani' })).status).toBe(404);
  const demo = await startSchool({ demoPeople: [{ id: 'imani', story: 'has begun' }] });
  const visitor = demo.visitor();
  expect((await visitor.ask('POST', '/api/demo/enter', { personId: 'tomas' })).status).toBe(404);
  expect((await visitor.ask('POST', '/api/demo/enter', { personId: 'imani' })).body.roles).toEqual(['student']);
  expect((await visitor.ask('GET', '/api/todo')).status).toBe(200);
  await demo.stop();
});

test('what changes something must come from our own pages', async () => {
  const forged = await school
    .as('imani')
    .ask('DELETE', '/api/session', undefined, { origin: 'https://elsewhere.example' });
  expect([forged.status, forged.body.code]).toEqual([403, 'originForeign']);
  expect((await school.as('imani').ask('DELETE', '/api/session', undefined, { origin: school.base })).status).toBe(204);
});

test('broken JSON, an unknown address and too large a body are answered in our own words', async () => {
  const broken = await fetch(`${school.base}/api/lessons`, {
    method: 'POST',
    body: '{',
    headers: { 'content-type': 'application/json', cookie: school.as('adaeze').cookie },
  });
  expect([broken.status, await broken.json()]).toEqual([400, { code: 'inputInvalid' }]);
  expect((await school.visitor().ask('GET', '/api/nowhere')).body).toEqual({ code: 'notFound' });
  const large = await school.as('adaeze').ask('POST', '/api/lessons', { materialId: 'x'.repeat(4_000_000) });
  expect([large.status, large.body]).toEqual([413, { code: 'bodyTooLarge' }]);
});

test('pages may run no script but ours', async () => {
  const policy = (await school.visitor().ask('GET', '/api/session')).headers.get('content-security-policy') ?? '';
  expect(policy).toContain("script-src 'self';");
  expect(policy).toContain("frame-ancestors 'none'");
});

import { PassThrough } from 'node:stream';
import { eq } from 'drizzle-orm';
import { pino } from 'pino';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { bridgeLesson } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { classTeachers, securityEvents, sessions, users } from '../../db/schema.ts';
import { createLog, placeOf } from '../../log.ts';
import { password, type School, startSchool } from '../../test/harness.ts';
import { hashPassword } from './password.ts';
import { createSignInGuard } from './sign-in-guard.ts';

const hour = 3_600_000;

let school: School;
beforeEach(async () => {
  school = await startSchool();
});
afterEach(() => school.stop());

const signIn = async (name: string, words: string, cookie = '') => {
  const response = await fetch(`${school.base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie },
    body: JSON.stringify({ name, password: words }),
  });
  const cookies = response.headers.getSetCookie().map((one) => one.split(';')[0] ?? '');
  return { status: response.status, body: await response.json(), cookies };
};
const deviceOf = (cookies: readonly string[]) => cookies.find((one) => one.startsWith('semita_device=')) ?? '';
const kinds = () =>
  school.db
    .select()
    .from(securityEvents)
    .all()
    .map(({ kind }) => kind);

describe('guessing', () => {
  test('by anybody keeps no child out of a device it has signed in on', async () => {
    const device = deviceOf((await signIn('imani', password)).cookies);
    for (let i = 0; i < 12; i++) await signIn('imani', 'guess');
    expect((await signIn('imani', password)).status).toBe(429);
    expect((await signIn('imani', password, device)).status).toBe(200);
    // The device of one child is no key to another's name.
    for (let i = 0; i < 12; i++) await signIn('tomas', 'guess');
    expect((await signIn('tomas', password, device)).status).toBe(429);
  });

  test('waits grow, say how long, and end', async () => {
    for (let i = 0; i < 8; i++) {
      await signIn('tomas', 'guess');
      school.clock.now += 60_000;
    }
    school.clock.now -= 60_000;
    const delayed = await signIn('tomas', password);
    expect([delayed.status, delayed.body.code]).toEqual([429, 'signInThrottled']);
    const { waitMs } = delayed.body.detail as { waitMs: number };
    expect(waitMs).toBeGreaterThan(1_000);
    expect(waitMs).toBeLessThanOrEqual(30_000);
    school.clock.now += waitMs;
    expect((await signIn('tomas', password)).status).toBe(200);
  });

  test('of one address at many names is slowed down as well', () => {
    const guard = createSignInGuard(() => 1_000);
    const tried = (i: number, address: string) => ({ name: `child-${i}`, address, knownDevice: null });
    for (let i = 0; i < 210; i++) guard.failed(tried(i, 'one'));
    expect(guard.waitMs(tried(500, 'one'))).toBeGreaterThan(0);
    expect(guard.waitMs(tried(500, 'another'))).toBe(0);
    expect(guard.waitMs({ ...tried(500, 'one'), knownDevice: 'laptop' })).toBe(0);
    // A right password for one name does not wash the address clean.
    guard.succeeded(tried(1, 'one'));
    expect(guard.waitMs(tried(501, 'one'))).toBeGreaterThan(0);
  });
});

test('a whole school that signs in behind one address, on new devices, waits for nothing', () => {
  const guard = createSignInGuard(() => 1_000);
  for (let i = 0; i < 900; i++) {
    const tried = { name: `child-${i}`, address: 'the school', knownDevice: null };
    expect(guard.waitMs(tried), `child ${i}`).toBe(0);
    guard.failed(tried);
    guard.succeeded(tried);
  }
});

describe('sessions', () => {
  test.each([
    ['adaeze', 'teacher', 24 * hour, 14 * 24 * hour, '/api/lessons'],
    ['imani', 'student', 7 * 24 * hour, 30 * 24 * hour, '/api/todo'],
  ] as const)('of %s, a %s, end when left alone, and at last in any case', async (id, _role, idle, absolute, place) => {
    const [left, used] = [school.as(id), school.as(id)];
    const status = async (client: typeof left) => (await client.ask('GET', place)).status;
    for (let passed = 0; passed < absolute; passed += idle / 2) {
      expect(await status(used), `${passed / hour} hours`).toBe(200);
      school.clock.now += idle / 2;
    }
    expect(await status(used)).toBe(401);
    expect(await status(left)).toBe(401);
    const idled = school.as(id);
    school.clock.now += idle + 1;
    expect(await status(idled)).toBe(401);
  });

  test('that end close what they had open', async () => {
    school.addMaterial('film', 60_000);
    const { assignmentId } = await school.assignLesson(bridgeLesson);
    const watch = async (cookie: string) => {
      const stream = await fetch(`${school.base}/api/live?on=sheet:${assignmentId}`, { headers: { cookie } });
      return (stream.body as ReadableStream<Uint8Array>).getReader();
    };
    const isEnded = async (reader: ReadableStreamDefaultReader<Uint8Array>) => {
      for (;;) if ((await reader.read()).done) return true;
    };
    const laptop = school.as('adaeze');
    const first = await watch(laptop.cookie);
    await laptop.ask('DELETE', '/api/session');
    expect(await isEnded(first)).toBe(true);
    // Whoever no longer teaches the class sees nothing more of it either, at the next thing that happens.
    const second = await watch(school.as('adaeze').cookie);
    await second.read();
    school.db.delete(classTeachers).where(eq(classTeachers.teacherId, 'adaeze')).run();
    school.deps.bus.publish('rightsChanged', { userId: 'adaeze' });
    expect(await isEnded(second)).toBe(true);
  });

  test('are not kept alive by a stream that nobody looks at', async () => {
    school.addMaterial('film', 60_000);
    const { assignmentId } = await school.assignLesson(bridgeLesson);
    const adaeze = school.as('adaeze');
    const stream = await fetch(`${school.base}/api/live?on=sheet:${assignmentId}`, {
      headers: { cookie: adaeze.cookie },
    });
    for (let i = 0; i < 30; i++) {
      school.clock.now += hour;
      school.deps.bus.publish('rightsChanged', { userId: 'adaeze' });
    }
    expect((await adaeze.ask('GET', '/api/lessons')).status).toBe(401);
    await stream.body?.cancel();
  });

  test('signing in, out and failing to are written down, without a name or an address', async () => {
    const visitor = school.visitor();
    await visitor.ask('POST', '/api/session', { name: 'imani', password: 'guess' });
    await visitor.ask('POST', '/api/session', { name: 'imani', password });
    await visitor.ask('DELETE', '/api/session');
    expect(kinds()).toEqual(['signInFailed', 'signedIn', 'signedOut']);
    expect(JSON.stringify(school.db.select().from(securityEvents).all())).not.toMatch(/127\.0\.0\.1|guess|"name"/);
    expect(school.db.select().from(sessions).all()).toEqual([]);
  });
});

describe('over https', () => {
  test('cookies are of this host alone, and a page over http is not ours', async () => {
    const secure = await startSchool({ secureCookies: true });
    const answer = await fetch(`${secure.base}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'imani', password }),
    });
    for (const cookie of answer.headers.getSetCookie())
      expect(cookie).toMatch(/^__Host-semita_(session|device)=[^;]+;.*Path=\/;.*HttpOnly; Secure; SameSite=Lax$/i);
    const host = new URL(secure.base).host;
    const from = async (origin: string) =>
      (await secure.visitor().ask('DELETE', '/api/session', undefined, { origin })).body?.code;
    expect(await from(`http://${host}`)).toBe('originForeign');
    expect(await from(`https://${host}`)).not.toBe('originForeign');
    await secure.stop();
  });
});

describe('what goes out with every answer', () => {
  test('says what pages may do, and nothing that the library would add', async () => {
    const { headers } = await school.visitor().ask('GET', '/api/session');
    const policy = Object.fromEntries(
      (headers.get('content-security-policy') ?? '').split(';').map((one) => {
        const [name = '', ...values] = one.trim().split(' ');
        return [name, values.join(' ')];
      }),
    );
    expect(policy).toMatchObject({ 'default-src': "'self'", 'script-src': "'self'", 'frame-ancestors': "'none'" });
    for (const values of Object.values(policy)) expect(values).not.toMatch(/https:|unsafe-(eval|hashes)|\*/);
    expect(headers.get('permissions-policy')).toMatch(/geolocation=\(\)/);
    expect(headers.get('cache-control')).toBe('no-store');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-powered-by')).toBe(null);
  });

  test('signing out clears what the browser kept', async () => {
    const client = school.as('imani');
    expect((await client.ask('DELETE', '/api/session')).headers.get('clear-site-data')).toContain('"cache"');
  });
});

test('the log tells where something went wrong, and not what it was about', () => {
  const error = new Error('ENOENT: open "Imani Example, my diary.docx"', { cause: new TypeError('of Imani') });
  const written: string[] = [];
  const out = new PassThrough();
  out.on('data', (chunk) => written.push(String(chunk)));
  pino({ serializers: { err: placeOf } }, out).error({ err: error }, 'failed');
  expect(written.join('')).not.toMatch(/Imani|diary/);
  expect(JSON.parse(written.join('')).err).toMatchObject({ type: 'Error', cause: { type: 'TypeError' } });
  expect(createLog('silent')).toBeDefined();
});

test('a name that two schools have: the password says whose it is, and the school is asked for only where both fit', async () => {
  school.addPerson('imani-elsewhere', 'elsewhere', 'student');
  const other = await hashPassword('another password');
  const place = eq(users.id, 'imani-elsewhere');
  school.db.update(users).set({ userName: 'imani', passwordHash: other }).where(place).run();
  expect((await signIn('imani', password)).body).toMatchObject({ id: 'imani' });
  expect((await signIn('imani', 'another password')).body).toMatchObject({ id: 'imani-elsewhere' });
  expect((await signIn('imani', 'neither')).body.code).toBe('signInFailed');
  const { passwordHash } = school.db.select().from(users).where(eq(users.id, 'imani')).get() ?? {};
  school.db
    .update(users)
    .set({ passwordHash: passwordHash ?? null })
    .where(place)
    .run();
  const asked = await signIn('imani', password);
  expect([asked.status, asked.body]).toEqual([
    409,
    { code: 'schoolNeeded', detail: { schools: ['Elsewhere', 'Quillhaven School'] } },
  ]);
  expect(asked.cookies).toEqual([]);
  const answer = await school.visitor().ask('POST', '/api/session', { name: 'imani', password, school: 'Elsewhere' });
  expect(answer.body).toMatchObject({ id: 'imani-elsewhere', schoolName: 'Elsewhere' });
});

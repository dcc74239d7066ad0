import { mkdtemp } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { invitations, schools, securityEvents, users } from '../../db/schema.ts';
import { openInstallation } from '../../installation.ts';
import { serveInstallation } from '../../test/harness.ts';

const day = 24 * 3_600_000;
const start = async () => {
  const clock = { now: Date.UTC(2026, 10, 24, 9) };
  const dataDir = await mkdtemp(path.join(os.tmpdir(), 'semita-empty-'));
  const deps = openInstallation(dataDir, { clock: () => clock.now, log: pino({ level: 'silent' }) });
  return { ...(await serveInstallation(deps)), clock };
};
let house: Awaited<ReturnType<typeof start>>;
beforeEach(async () => {
  house = await start();
});
afterEach(() => house.stop());

const setUp = (secret: string) => ({
  ...{ secret, schoolName: ' Quillhaven  School ', timeZone: 'Europe/Stockholm', locale: 'sv' },
  ...{ displayName: 'Ms. Holm', email: 'Holm@Quillhaven.example', password: 'over the bridge', teaches: true },
});

/** The first admin of a school that was just set up. */
async function admin() {
  const visitor = house.visitor();
  const { status } = await visitor.ask('POST', '/api/set-up', setUp(house.services.setUp.createSecret()));
  expect(status).toBe(200);
  return visitor;
}

test('an empty installation says so, and is set up by whoever holds its secret, once', async () => {
  const visitor = house.visitor();
  expect((await visitor.ask('GET', '/api/session')).body).toMatchObject({ me: null, isEmpty: true });
  const first = house.services.setUp.createSecret();
  const secret = house.services.setUp.createSecret();
  for (const wrong of ['', 'x', first, `${secret}x`])
    expect((await visitor.ask('POST', '/api/set-up', setUp(wrong))).body.code).toBe('setUpSecretWrong');
  const { body } = await visitor.ask('POST', '/api/set-up', setUp(secret));
  expect(body).toMatchObject({ displayName: 'Ms. Holm', schoolName: 'Quillhaven School', isNew: true });
  expect(body.roles.toSorted()).toEqual(['admin', 'teacher']);
  // They are signed in at once, and everybody else is too late.
  expect((await visitor.ask('GET', '/api/school')).body).toMatchObject({ name: 'Quillhaven School', locale: 'sv' });
  expect((await house.visitor().ask('GET', '/api/session')).body.isEmpty).toBe(false);
  expect((await house.visitor().ask('POST', '/api/set-up', setUp(secret))).body.code).toBe('alreadySetUp');
  expect(house.db.select().from(schools).all()).toHaveLength(1);
});

test('two who set up at the same time make one school', async () => {
  const secret = house.services.setUp.createSecret();
  const answers = await Promise.all([1, 2, 3].map(() => house.visitor().ask('POST', '/api/set-up', setUp(secret))));
  expect(answers.map(({ status }) => status).toSorted()).toEqual([200, 409, 409]);
  expect(house.db.select().from(schools).all()).toHaveLength(1);
  expect(house.db.select().from(users).all()).toHaveLength(1);
});

test('what cannot be is refused by its field, and nothing is made', async () => {
  const secret = house.services.setUp.createSecret();
  for (const [field, value] of Object.entries({
    ...{ timeZone: 'Europe/Atlantis', locale: 'tlh', displayName: '\u200b ', email: 'holm', password: 'short' },
    schoolName: '',
  })) {
    const { status, body } = await house.visitor().ask('POST', '/api/set-up', { ...setUp(secret), [field]: value });
    expect([field, status, body.detail.fields]).toEqual([field, 422, [field]]);
  }
  expect(house.db.select().from(schools).all()).toHaveLength(0);
});

test('ten thousand guesses wait longer than anybody would', async () => {
  house.services.setUp.createSecret();
  const visitor = house.visitor();
  for (let guess = 0; guess < 200; guess += 1) await visitor.ask('POST', '/api/set-up', setUp(`${guess}`));
  const { status, body } = await visitor.ask('POST', '/api/set-up', setUp('one more'));
  expect([status, body.code]).toEqual([429, 'signInThrottled']);
  expect(body.detail.waitMs).toBeGreaterThan(0);
});

test('an invitation works once, for a week, and not after it was taken back', async () => {
  const keeper = await admin();
  const invite = async (name: string, isAdmin = false) =>
    (await keeper.ask('POST', '/api/invitations', { displayName: name, email: `${name}@q.example`, isAdmin })).body;
  const { token } = await invite('bruno');
  // What stands in the link is not in the database.
  expect(JSON.stringify(house.db.select().from(invitations).all())).not.toContain(token);
  const visitor = house.visitor();
  expect((await visitor.ask('POST', '/api/invitations/look', { token })).body).toEqual({
    ...{ schoolName: 'Quillhaven School', displayName: 'bruno', email: 'bruno@q.example' },
  });
  const accept = (by: string, more = {}) =>
    house.visitor().ask('POST', '/api/invitations/acceptance', {
      ...{ token: by, displayName: 'Bruno', email: 'bruno@q.example', password: 'three planks' },
      ...more,
    });
  const twice = await Promise.all([accept(token), accept(token)]);
  expect(twice.map(({ status }) => status).toSorted()).toEqual([200, 410]);
  expect((await accept(token, { email: 'other@q.example' })).body.code).toBe('invitationUnusable');
  // The same address a second time; the invitation is not used up by it.
  const second = await invite('bruno');
  expect((await accept(second.token)).body.code).toBe('emailTaken');
  expect((await keeper.ask('GET', '/api/school')).body.invitations).toHaveLength(1);
  await keeper.ask('DELETE', `/api/invitations/${second.invitation.id}`);
  expect((await accept(second.token, { email: 'c@q.example' })).body.code).toBe('invitationUnusable');
  const late = await invite('cleo');
  house.clock.now += 7 * day + 1;
  expect((await accept(late.token, { email: 'cleo@q.example' })).body.code).toBe('invitationUnusable');
});

test('a code lets teachers in until it is turned off; they are no admins', async () => {
  const keeper = await admin();
  await keeper.ask('POST', '/api/school/teacher-code', { isOn: true });
  const code = (await keeper.ask('GET', '/api/school')).body.teacherCode;
  const visitor = house.visitor();
  const typed = code.toLowerCase().replace('-', ' ');
  const shown = await visitor.ask('POST', '/api/joining/look', { code: typed });
  expect(shown.body).toEqual({ kind: 'school', schoolName: 'Quillhaven School' });
  const person = { displayName: 'Cleo', email: 'cleo@q.example', password: 'three planks' };
  const joined = await visitor.ask('POST', '/api/joining/teacher', { code, ...person });
  expect(joined.body.roles).toEqual(['teacher']);
  expect((await visitor.ask('GET', '/api/school')).status).toBe(404);
  // It is no code of a class.
  const student = { displayName: 'Ada', userName: 'ada', password: 'three planks' };
  expect((await visitor.ask('POST', '/api/joining/new', { code, ...student })).body.code).toBe('codeUnknown');
  await keeper.ask('POST', '/api/school/teacher-code', { isOn: false });
  expect((await house.visitor().ask('POST', '/api/joining/look', { code })).body.code).toBe('codeUnknown');
});

test('a school is never without somebody who looks after it', async () => {
  const keeper = await admin();
  const { staff } = (await keeper.ask('GET', '/api/school')).body;
  const [holm] = staff;
  const change = (isAdmin: boolean, userId = holm.id) => keeper.ask('POST', '/api/school/roles', { userId, isAdmin });
  expect((await change(false)).body.code).toBe('lastAdmin');
  expect((await change(true, 'nobody')).status).toBe(404);
  const { token } = (
    await keeper.ask('POST', '/api/invitations', { displayName: 'Bo', email: 'bo@q.example', isAdmin: true })
  ).body;
  const bo = house.visitor();
  const account = { displayName: 'Bo', email: 'bo@q.example', password: 'three planks' };
  await bo.ask('POST', '/api/invitations/acceptance', { token, ...account });
  expect((await change(false)).status).toBe(204);
  expect((await keeper.ask('GET', '/api/school')).status).toBe(404);
  expect((await bo.ask('GET', '/api/school')).status).toBe(200);
  const kinds = house.db
    .select({ kind: securityEvents.kind })
    .from(securityEvents)
    .all()
    .map(({ kind }) => kind);
  for (const kind of ['schoolSetUp', 'invited', 'joinedSchool', 'rolesChanged'] as const) expect(kinds).toContain(kind);
});

test('first steps are shown until they are put away', async () => {
  const keeper = await admin();
  expect((await keeper.ask('DELETE', '/api/first-steps')).status).toBe(204);
  expect((await keeper.ask('GET', '/api/session')).body.me.isNew).toBe(false);
});

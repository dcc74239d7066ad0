import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { classes, sessions, signInCards, users } from '../../db/schema.ts';
import { password, type School, startSchool } from '../../test/harness.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
});
afterEach(() => school.stop());

const givePoll = () => {
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  return school.assignLesson(lessonOf([everyKind.poll]));
};
const amber = '/api/classes/amber';
const read = async (id = 'adaeze') => (await school.as(id).ask('GET', amber)).body;
const names = async () => (await read()).students.map(({ displayName }: { displayName: string }) => displayName);
const person = (displayName: string, userName = '', groups: string[] = []) => ({ displayName, userName, groups });
const plan = (people: object[]) => school.as('adaeze').ask('POST', `${amber}/roster/plan`, { people });
const take = (people: object[], version: number, remove: string[] = []) =>
  school.as('adaeze').ask('POST', `${amber}/roster`, { people, version, remove });

test('a class is made on the clock of the school, with a mark that no other of the teacher has', async () => {
  const adaeze = school.as('adaeze');
  const { id } = (await adaeze.ask('POST', '/api/classes', { name: '  9 Birch ' })).body;
  const { body } = await adaeze.ask('GET', `/api/classes/${id}`);
  expect(body).toMatchObject({ name: '9 Birch', timeZone: 'UTC', runs: true, joining: 'off', students: [] });
  const all = (await adaeze.ask('GET', '/api/classes')).body;
  expect(new Set(all.map((one: { shape: string; colour: string }) => `${one.shape}${one.colour}`)).size).toBe(
    all.length,
  );
  expect((await adaeze.ask('POST', '/api/classes', { name: ' ' })).status).toBe(422);
  school.addPerson('keeper', 'quillhaven', 'admin');
  const { staff } = (await school.as('keeper').ask('GET', '/api/school')).body;
  expect(Object.fromEntries(staff.map((one: { id: string; classCount: number }) => [one.id, one.classCount]))).toEqual({
    ...{ adaeze: 2, bruno: 1, keeper: 0 },
  });
});

test('a class is renamed, set on another clock, put away and brought back', async () => {
  const adaeze = school.as('adaeze');
  await givePoll();
  expect((await adaeze.ask('GET', '/api/assignments')).body[0].className).toBe('8 Amber');
  await school.as('imani').ask('GET', '/api/todo');
  await adaeze.ask('PATCH', amber, { name: '8 Ochre', timeZone: 'Asia/Tokyo', shape: 'leaf', joining: 'open' });
  await adaeze.ask('PATCH', amber, { isArchived: true });
  expect(await read()).toMatchObject({ name: '8 Ochre', timeZone: 'Asia/Tokyo', isArchived: true, joining: 'off' });
  expect((await adaeze.ask('GET', '/api/assignments')).body).toHaveLength(0);
  // With the class, what was to be done there is put away.
  const todo = async () => (await school.as('imani').ask('GET', '/api/todo')).body.items;
  expect(await todo()).toEqual([]);
  await adaeze.ask('PATCH', amber, { isArchived: false });
  expect((await adaeze.ask('GET', '/api/assignments')).body).toHaveLength(1);
  // Everybody sees the new name at once.
  expect((await todo()).map(({ className }: { className: string }) => className)).toEqual(['8 Ochre']);
  expect((await adaeze.ask('PATCH', amber, { timeZone: '+02:00' })).status).toBe(422);
});

describe('a list of people', () => {
  test('is looked at first, then taken; who is new can sign in with what was shown once', async () => {
    const list = [person('Ada Lund', '', ['red']), person('imani'), person('Bo Ek', 'bo')];
    const { body } = await plan(list);
    expect(body.rows.map(({ kind }: { kind: string }) => kind)).toEqual(['add', 'same', 'add']);
    expect(body.missing.map(({ id }: { id: string }) => id)).toEqual(['tomas']);
    expect(await names()).toEqual(['imani', 'tomas']);
    const firsts = (await take(list, body.version)).body;
    expect(firsts.map(({ userName }: { userName: string }) => userName)).toEqual(['ada.lund', 'bo']);
    expect(await names()).toEqual(['Ada Lund', 'Bo Ek', 'imani', 'tomas']);
    const signIn = { name: 'ada.lund', password: firsts[0].password };
    expect((await school.visitor().ask('POST', '/api/session', signIn)).body.displayName).toBe('Ada Lund');
    expect((await read()).students[0].groups).toEqual(['red']);
    // The same list again changes nothing.
    const again = (await plan(list)).body;
    expect(again.rows.map(({ kind }: { kind: string }) => kind)).toEqual(['same', 'same', 'same']);
    expect((await take(list, again.version)).body).toEqual([]);
  });

  test('brings what was given to the class to who is new, and takes out whom it is told to', async () => {
    await givePoll();
    const { version } = (await plan([person('Ada Lund')])).body;
    const [ada] = (await take([person('Ada Lund')], version, ['tomas'])).body;
    expect(await names()).toEqual(['Ada Lund', 'imani']);
    expect((await school.as(ada.studentId).ask('GET', '/api/todo')).body.items).toHaveLength(1);
  });

  test('is refused whole when the class has changed since, or a row is faulty', async () => {
    const { version } = (await plan([person('Ada Lund')])).body;
    school.services.roster.remove('amber', 'tomas');
    const moved = await take([person('Ada Lund')], version);
    expect([moved.status, moved.body.code]).toEqual([409, 'rosterMoved']);
    const faulty = await take([person('Ada Lund'), person(''), person('X', 'cobalt')], moved.body.detail.version);
    expect([faulty.body.code, faulty.body.detail]).toEqual(['rosterFaulty', { rows: [1, 2] }]);
    expect(await names()).toEqual(['imani']);
  });

  test('two who take the same list at the same time do not double anybody', async () => {
    const list = Array.from({ length: 12 }, (_, index) => person(`Student ${index}`));
    const { version } = (await plan(list)).body;
    const answers = await Promise.all([take(list, version), take(list, version)]);
    expect(answers.map(({ status }) => status).toSorted()).toEqual([200, 409]);
    expect(await names()).toHaveLength(14);
  });

  test('renames who is there, and brings in who is in another class under the same name', async () => {
    const list = [person('Imani Okoro', 'imani'), person('cobalt', 'cobalt')];
    const { rows, version } = (await plan(list)).body;
    expect(rows.map(({ kind }: { kind: string }) => kind)).toEqual(['update', 'bringIn']);
    await take(list, version);
    expect(await names()).toEqual(['Imani Okoro', 'cobalt', 'tomas']);
  });

  test('of more than five hundred is refused, and so is one that is no list', async () => {
    expect((await plan(Array.from({ length: 501 }, () => person('A')))).status).toBe(422);
    expect((await plan([{ displayName: 1 }])).status).toBe(422);
  });
});

describe('cards', () => {
  const makeCards = async (studentIds: string[]) =>
    (await school.as('adaeze').ask('POST', `${amber}/cards`, { studentIds })).body;
  const use = (card: object) => school.visitor().ask('POST', '/api/session/card', card);

  test('let in by their square and by their words, as they are typed', async () => {
    const [card] = await makeCards(['imani']);
    expect((await use({ token: card.token })).body.id).toBe('imani');
    expect((await use({ words: card.words.toUpperCase().replaceAll(' ', ', ') })).body.id).toBe('imani');
    const stored = JSON.stringify(school.db.select().from(signInCards).all());
    expect(stored).not.toContain(card.token);
    expect(stored).not.toContain(card.words);
    expect((await read()).students.map(({ hasCard }: { hasCard: boolean }) => hasCard)).toEqual([true, false]);
  });

  test('a new one takes the place of the old, and one that is taken back signs its owner out', async () => {
    const [old] = await makeCards(['imani']);
    const [card] = await makeCards(['imani']);
    for (const shown of [{ token: old.token }, { words: old.words }]) expect((await use(shown)).status).toBe(401);
    const client = school.visitor();
    await client.ask('POST', '/api/session/card', { token: card.token });
    expect((await client.ask('GET', '/api/todo')).status).toBe(200);
    await school.as('adaeze').ask('DELETE', `${amber}/students/imani/card`);
    expect((await client.ask('GET', '/api/todo')).status).toBe(401);
    expect((await use({ token: card.token })).body.code).toBe('cardUnknown');
  });

  test('are made for students of the class only, all of them or none', async () => {
    const { status } = await school.as('adaeze').ask('POST', `${amber}/cards`, { studentIds: ['imani', 'cobalt'] });
    expect(status).toBe(404);
    expect(school.db.select().from(signInCards).all()).toHaveLength(0);
  });

  test('guessing words waits after two hundred', async () => {
    await makeCards(['imani']);
    for (let guess = 0; guess < 200; guess += 1) await use({ token: `no such token, whoever asks ${guess}` });
    expect((await use({ words: 'acorn anchor ankle apple' })).body.code).toBe('signInThrottled');
  });
});

test('a new password ends the old one, and signs the student out', async () => {
  const imani = school.as('imani');
  const [given] = (await school.as('adaeze').ask('POST', `${amber}/passwords`, { studentIds: ['imani'] })).body;
  expect((await imani.ask('GET', '/api/todo')).status).toBe(401);
  const signIn = (word: string) => school.visitor().ask('POST', '/api/session', { name: 'imani', password: word });
  expect((await signIn(password)).status).toBe(401);
  expect((await signIn(given.password)).status).toBe(200);
});

describe('joining by a code', () => {
  const setJoining = async (joining: string) => {
    await school.as('adaeze').ask('PATCH', amber, { joining });
    return (await read()).joinCode as string;
  };
  const look = (code: string) => school.visitor().ask('POST', '/api/joining/look', { code });
  const joinAsNew = (code: string, userName = 'ada', client = school.visitor()) =>
    client.ask('POST', '/api/joining/new', { code, displayName: 'Ada', userName, password: 'three planks' });

  test('shows what it is a code of, and nobody’s name', async () => {
    const { body } = await look(await setJoining('open'));
    expect(body).toEqual({
      ...{ kind: 'class', name: '8 Amber', schoolName: 'Quillhaven School', shape: 'tile', colour: 'aubergine' },
      asks: false,
    });
  });

  test('somebody new is in at once, with what the class has', async () => {
    await givePoll();
    const client = school.visitor();
    const { body } = await joinAsNew(await setJoining('open'), 'ada', client);
    expect(body).toMatchObject({ displayName: 'Ada', roles: ['student'], waitingFor: [] });
    expect((await client.ask('GET', '/api/todo')).body.items).toHaveLength(1);
    expect((await joinAsNew((await read()).joinCode, 'ADA')).body.code).toBe('userNameTaken');
  });

  test('where the class asks, they wait until they are let in, and are gone when they are not', async () => {
    const code = await setJoining('asks');
    const client = school.visitor();
    const ada = (await joinAsNew(code, 'ada', client)).body;
    const bo = (await joinAsNew(code, 'bo')).body;
    expect(ada.waitingFor).toEqual(['8 Amber']);
    expect((await read()).waiting.map(({ id }: { id: string }) => id)).toEqual([ada.id, bo.id]);
    expect(await names()).toEqual(['imani', 'tomas']);
    const answer = (id: string, letIn: boolean) => school.as('adaeze').ask('POST', `${amber}/waiting/${id}`, { letIn });
    await answer(ada.id, true);
    await answer(bo.id, false);
    expect((await answer(bo.id, true)).status).toBe(404);
    expect((await client.ask('GET', '/api/session')).body.me.waitingFor).toEqual([]);
    expect(await names()).toEqual(['Ada', 'imani', 'tomas']);
    expect(school.db.select().from(users).where(eq(users.id, bo.id)).get()).toBeUndefined();
    // Somebody who was there before keeps their account.
    await school.as('cobalt').ask('POST', '/api/joining', { code });
    await answer('cobalt', false);
    expect(school.db.select().from(users).where(eq(users.id, 'cobalt')).get()).toBeDefined();
  });

  test('a student of the school joins with their own account, twice without being doubled; of another school not', async () => {
    const code = await setJoining('open');
    for (let time = 0; time < 2; time += 1) await school.as('cobalt').ask('POST', '/api/joining', { code });
    expect(await names()).toEqual(['cobalt', 'imani', 'tomas']);
    expect((await school.as('outsider').ask('POST', '/api/joining', { code })).body.code).toBe('otherSchool');
  });

  test('a code is off, renewed, and gone with a class that is put away', async () => {
    const code = await setJoining('open');
    await school.as('adaeze').ask('POST', `${amber}/join-code`);
    expect((await look(code)).body.code).toBe('codeUnknown');
    const renewed = await setJoining('off');
    expect((await look(renewed)).body.code).toBe('codeOff');
    await setJoining('open');
    await school.as('adaeze').ask('PATCH', amber, { isArchived: true });
    expect((await joinAsNew(renewed)).body.code).toBe('codeOff');
  });

  test('nobody makes accounts by the thousand', async () => {
    const code = await setJoining('open');
    let last = 0;
    for (let i = 0; i < 260 && last !== 429; i += 1) last = (await joinAsNew(code, `x${i} not a name`)).status;
    expect(last).toBe(429);
  });

  test('ten thousand guesses find nothing: they wait after two hundred', async () => {
    for (let guess = 0; guess < 200; guess += 1) await look('CDFH-2678');
    expect((await look('CDFH-2679')).body.code).toBe('signInThrottled');
  });
});

describe('who runs a class', () => {
  const day = 24 * 3_600_000;

  test('another teacher does everything; the last one stays', async () => {
    const adaeze = school.as('adaeze');
    expect((await school.as('bruno').ask('GET', amber)).status).toBe(404);
    await adaeze.ask('POST', `${amber}/teachers`, { teacherId: 'bruno' });
    expect(await read('bruno')).toMatchObject({ runs: true });
    await school.as('bruno').ask('DELETE', `${amber}/teachers/adaeze`);
    expect((await adaeze.ask('GET', amber)).status).toBe(404);
    expect((await school.as('bruno').ask('DELETE', `${amber}/teachers/bruno`)).body.code).toBe('lastTeacher');
    expect((await school.as('bruno').ask('POST', `${amber}/teachers`, { teacherId: 'stranger' })).status).toBe(404);
    expect((await school.as('bruno').ask('POST', `${amber}/teachers`, { teacherId: 'imani' })).status).toBe(404);
  });

  test('a substitute follows it on the days that were said, on its clock, and no longer', async () => {
    const adaeze = school.as('adaeze');
    const days = { teacherId: 'bruno', from: '2026-11-25', until: '2026-11-26' };
    expect((await adaeze.ask('POST', `${amber}/substitutes`, days)).status).toBe(204);
    const isIn = async () => (await school.as('bruno').ask('GET', amber)).status === 200;
    expect(await isIn()).toBe(false);
    // Midnight in Stockholm is 23:00 in UTC.
    school.clock.now = Date.UTC(2026, 10, 24, 23);
    expect(await isIn()).toBe(true);
    expect(await read('bruno')).toMatchObject({ runs: false, joinCode: null, waiting: [] });
    expect((await school.as('bruno').ask('POST', `${amber}/passwords`, { studentIds: ['imani'] })).status).toBe(404);
    school.clock.now = Date.UTC(2026, 10, 26, 22, 59, 59);
    expect(await isIn()).toBe(true);
    school.clock.now = Date.UTC(2026, 10, 26, 23);
    expect(await isIn()).toBe(false);
    expect((await read()).substitutes).toEqual([]);
  });

  test('days are ended early; days that are over, or turned around, are refused', async () => {
    const adaeze = school.as('adaeze');
    const add = (from: string, until: string) =>
      adaeze.ask('POST', `${amber}/substitutes`, { teacherId: 'bruno', from, until });
    expect((await add('2026-11-20', '2026-11-21')).body.code).toBe('windowOutOfOrder');
    expect((await add('2026-11-26', '2026-11-25')).body.code).toBe('windowOutOfOrder');
    await add('2026-11-24', '2026-11-30');
    const [days] = (await read()).substitutes;
    expect((await school.as('bruno').ask('GET', amber)).status).toBe(200);
    await adaeze.ask('DELETE', `${amber}/substitutes/${days.id}`);
    school.clock.now += day / 24;
    expect((await school.as('bruno').ask('GET', amber)).status).toBe(404);
  });
});

test('a student who moves keeps their record in both classes', async () => {
  const adaeze = school.as('adaeze');
  const { id: toClassId } = (await adaeze.ask('POST', '/api/classes', { name: '8 Birch' })).body;
  const { assignmentId } = await givePoll();
  await school.as('imani').ask('PUT', `/api/assignments/${assignmentId}/walk`);
  await adaeze.ask('PATCH', `${amber}/students/imani`, { extraTime: 1.5 });
  await adaeze.ask('POST', `${amber}/students/imani/move`, { toClassId });
  expect(await names()).toEqual(['tomas']);
  const there = (await adaeze.ask('GET', `/api/classes/${toClassId}`)).body.students;
  expect(there).toMatchObject([{ id: 'imani', extraTime: 1.5 }]);
  const sheet = (await adaeze.ask('GET', `/api/assignments/${assignmentId}/sheet`)).body;
  expect(JSON.stringify(sheet.students)).toContain('imani');
  expect((await adaeze.ask('POST', `${amber}/students/tomas/move`, { toClassId: 'bronze' })).status).toBe(404);
});

test('groups are made of many at once, beside the groups they are in', async () => {
  const adaeze = school.as('adaeze');
  await adaeze.ask('PATCH', `${amber}/students/imani`, { groups: ['red'] });
  const groups = [{ name: 'blue', studentIds: ['imani', 'tomas'] }];
  expect((await adaeze.ask('POST', `${amber}/groups`, { groups })).status).toBe(204);
  expect((await read()).students.map((one: { groups: string[] }) => one.groups)).toEqual([['blue', 'red'], ['blue']]);
  const wrong = [{ name: 'green', studentIds: ['imani', 'cobalt'] }];
  expect((await adaeze.ask('POST', `${amber}/groups`, { groups: wrong })).status).toBe(404);
  expect((await adaeze.ask('GET', '/api/groups')).body).toEqual(['blue', 'red']);
});

test('two teachers who change the groups of one student do not write over each other', async () => {
  const change = (groups: string[], groupsBefore: string[]) =>
    school.as('adaeze').ask('PATCH', `${amber}/students/imani`, { groups, groupsBefore });
  expect((await change(['red'], [])).status).toBe(204);
  const second = await change(['blue'], []);
  expect([second.status, second.body.code]).toEqual([409, 'rosterMoved']);
  expect((await change(['red', 'blue'], ['red'])).status).toBe(204);
  expect((await read()).students[0].groups).toEqual(['blue', 'red']);
});

test('to whom something can be given: classes that are taught and not put away, with groups and students', async () => {
  const adaeze = school.as('adaeze');
  await adaeze.ask('PATCH', `${amber}/students/imani`, { groups: ['red'], extraTime: 1.5 });
  const { id } = (await adaeze.ask('POST', '/api/classes', { name: '9 Birch' })).body;
  const rosters = (await adaeze.ask('GET', '/api/rosters')).body;
  expect(rosters.map((one: { name: string }) => one.name)).toEqual(['8 Amber', '9 Birch']);
  expect(rosters[0].students).toMatchObject([{ id: 'imani', extraTime: 1.5 }, { id: 'tomas' }]);
  expect(rosters[0].groups).toMatchObject([{ name: 'red', studentIds: ['imani'] }]);
  await adaeze.ask('PATCH', `/api/classes/${id}`, { isArchived: true });
  expect((await adaeze.ask('GET', '/api/rosters')).body).toHaveLength(1);
});

test('nothing of this reaches a class of somebody else', async () => {
  const before = school.db.select().from(classes).where(eq(classes.id, 'bronze')).get();
  const adaeze = school.as('adaeze');
  for (const [method, address, body] of [
    ['PATCH', '/api/classes/bronze', { name: 'Mine' }],
    ['POST', '/api/classes/bronze/roster', { version: 1, people: [], remove: ['cobalt'] }],
    ['POST', '/api/classes/bronze/passwords', { studentIds: ['cobalt'] }],
    ['DELETE', '/api/classes/bronze/students/cobalt', undefined],
    ['PATCH', `${amber}/students/cobalt`, { displayName: 'Renamed' }],
    ['DELETE', `${amber}/students/cobalt/card`, undefined],
  ] as const)
    expect([address, (await adaeze.ask(method, address, body)).status]).toEqual([address, 404]);
  expect(school.db.select().from(classes).where(eq(classes.id, 'bronze')).get()).toEqual(before);
  expect(school.db.select().from(sessions).where(eq(sessions.userId, 'cobalt')).all()).toEqual([]);
});

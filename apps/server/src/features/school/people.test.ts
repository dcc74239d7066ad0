import fs from 'node:fs';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { answerFiles, assignments, attempts, securityEvents, users } from '../../db/schema.ts';
import { createSender, type School, startSchool } from '../../test/harness.ts';

const picture = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#123456' } })
  .png()
  .toBuffer();

let school: School;
beforeEach(async () => {
  school = await startSchool();
  school.addPerson('runa', 'quillhaven', 'admin');
  school.addPerson('elsewhereRuna', 'elsewhere', 'admin');
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
});
afterEach(() => school.stop());

const ask = (who: string, method: string, path: string, body?: object) => school.as(who).ask(method, path, body);
const find = (words: string, isStaff = false) =>
  ask('runa', 'POST', '/api/school/people', { words, isStaff, offset: 0 });
const logged = () => school.db.select().from(securityEvents).all();

/** A written answer, a file and a mark, with words that can be looked for. */
async function work(who = 'imani') {
  const { assignmentId } = await school.assignLesson(
    lessonOf([{ ...everyKind.extendedText, stem: 'Why does it bend?' }, everyKind.upload]),
  );
  const { attemptId, view } = (await ask(who, 'PUT', `/api/assignments/${assignmentId}/walk`)).body;
  const event = createSender(school.clock);
  const sent = await school
    .as(who)
    .ask('POST', `/api/attempts/${attemptId}/files/plan.png`, picture, { 'content-type': 'image/png' });
  const stops = view.lesson.parts.flatMap(
    ({ stops }: { stops: { id: string; questions: { id: string }[] }[] }) => stops,
  );
  for (const stop of stops) {
    school.clock.now += 60_000;
    const responses = Object.fromEntries(
      stop.questions.map(({ id }: { id: string }) => [
        id,
        id === everyKind.upload.id
          ? { kind: 'files', files: [sent.body] }
          : { kind: 'extendedText', text: 'OWN WORDS <b>of</b> Imani' },
      ]),
    );
    const events = [
      event({ type: 'reachedStop', stopId: stop.id }),
      event({ type: 'answered', stopId: stop.id, responses } as never),
    ];
    await ask(who, 'POST', `/api/attempts/${attemptId}/events`, { events });
  }
  const [stop] = stops;
  await ask('adaeze', 'POST', `/api/assignments/${assignmentId}/students/${who}/marks`, {
    ...{ stopId: stop.id, questionId: everyKind.extendedText.id, points: 250, comment: 'Say more.' },
  });
  return { assignmentId, attemptId };
}

test('people are found by parts of their names; who looks after another school finds none of them', async () => {
  expect((await find('IMA')).body).toMatchObject({
    count: 1,
    people: [{ id: 'imani', signInName: 'imani', classNames: ['8 Amber'], isOff: false }],
  });
  expect((await find('', true)).body.people.map(({ id }: { id: string }) => id).toSorted()).toEqual([
    ...['adaeze', 'bruno', 'runa'],
  ]);
  const other = await ask('elsewhereRuna', 'POST', '/api/school/people', { words: 'imani', isStaff: false, offset: 0 });
  expect(other.body.count).toBe(0);
  for (const [method, path, body] of [
    ['PATCH', '', { isOff: true }],
    ['POST', '/password', undefined],
    ['GET', '/archive', undefined],
    ['POST', '/erasing', { name: 'imani' }],
  ] as const)
    expect((await ask('elsewhereRuna', method, `/api/people/imani${path}`, body)).status).toBe(404);
});

describe('an account that is switched off', () => {
  test('lets nobody in, by no way, and what was done is kept; then it does again', async () => {
    const student = school.as('imani');
    const feed = (await student.ask('POST', '/api/calendar', { alarmMinutes: null })).body;
    await ask('runa', 'PATCH', '/api/people/imani', { isOff: true });
    expect((await student.ask('GET', '/api/todo')).status).toBe(401);
    const signIn = () =>
      school.visitor().ask('POST', '/api/session', { name: 'imani', password: 'three planks and a rope' });
    expect((await signIn()).body.code).toBe('accountOff');
    expect((await school.visitor().ask('GET', `/api/calendar/${feed.token}.ics`)).status).toBe(404);
    expect((await find('imani')).body.people[0].isOff).toBe(true);
    await ask('runa', 'PATCH', '/api/people/imani', { isOff: false });
    expect((await signIn()).status).toBe(200);
  });
  test('is never one’s own', async () => {
    expect((await ask('runa', 'PATCH', '/api/people/runa', { isOff: true })).body.code).toBe('lastAdmin');
  });
});

test('names and passwords are changed, and each change is in the log with who did it', async () => {
  expect(
    (await ask('runa', 'PATCH', '/api/people/imani', { displayName: 'Imani K.', signInName: 'Imani.K' })).status,
  ).toBe(204);
  expect((await find('imani')).body.people[0]).toMatchObject({ displayName: 'Imani K.', signInName: 'imani.k' });
  expect((await ask('runa', 'PATCH', '/api/people/imani', { signInName: 'tomas' })).body.code).toBe('userNameTaken');
  expect((await ask('runa', 'PATCH', '/api/people/bruno', { signInName: 'no address' })).body.code).toBe(
    'inputInvalid',
  );
  const { password } = (await ask('runa', 'POST', '/api/people/imani/password')).body;
  expect((await school.visitor().ask('POST', '/api/session', { name: 'imani.k', password })).status).toBe(200);
  const log = (await ask('runa', 'POST', '/api/school/log', { userId: 'imani' })).body;
  expect(log.events.map(({ kind }: { kind: string }) => kind)).toEqual(
    expect.arrayContaining(['personChanged', 'passwordGiven', 'signedOut', 'signedIn']),
  );
  expect(log.events.find(({ kind }: { kind: string }) => kind === 'passwordGiven')).toMatchObject({
    ...{ about: { displayName: 'Imani K.' }, by: { displayName: 'runa' } },
  });
  // Nobody's log but the school's own.
  expect((await ask('elsewhereRuna', 'POST', '/api/school/log', {})).body.events).toEqual([]);
});

test('the log goes on page by page, each once, and by its kinds', async () => {
  const { db, clock } = school;
  const rows = Array.from({ length: 230 }, (_, index) => ({
    ...{ id: `e${String(index).padStart(3, '0')}`, at: clock.now - Math.floor(index / 7), userId: 'imani' },
    kind: index % 2 ? ('signedIn' as const) : ('signedOut' as const),
  }));
  db.insert(securityEvents).values(rows).run();
  const seen: string[] = [];
  let before: { at: number; id: string } | undefined;
  for (let page = 0; page < 3; page++) {
    const { events, hasMore } = (await ask('runa', 'POST', '/api/school/log', { kinds: ['signedIn'], before })).body;
    seen.push(...events.map(({ id }: { id: string }) => id));
    before = events.at(-1);
    if (!hasMore) break;
  }
  expect([seen.length, new Set(seen).size]).toEqual([115, 115]);
});

test('what is kept of a student is a zip with a page, every record and their files, and no key', async () => {
  await work();
  await school.as('tomas').ask('GET', '/api/todo');
  const response = await fetch(`${school.base}/api/people/imani/archive`, {
    headers: { cookie: school.as('runa').cookie },
  });
  expect(response.headers.get('content-disposition')).toContain('imani.zip');
  const files = unzipSync(new Uint8Array(await response.arrayBuffer()));
  expect(Object.keys(files)).toEqual(['index.html', 'data.json', 'files/plan.png']);
  expect(Buffer.from(files['files/plan.png'] ?? []).equals(picture)).toBe(true);
  const page = Buffer.from(files['index.html'] ?? []).toString();
  expect(page).toContain('OWN WORDS &lt;b&gt;of&lt;/b&gt; Imani');
  for (const words of ['Why does it bend?', '2.5 of 4 points', 'Say more.', '8 Amber', 'href="files/plan.png"'])
    expect(page).toContain(words);
  expect(page).not.toContain('SECRET');
  const text = Buffer.from(files['data.json'] ?? []).toString();
  const data = JSON.parse(text);
  expect(Object.keys(data)).toEqual(
    expect.arrayContaining(['users', 'class_students', 'recipients', 'attempts', 'attempt_events', 'answer_files']),
  );
  expect(data.attempts).toHaveLength(1);
  expect(text).not.toMatch(/argon2|token|tomas/);
  expect(
    logged().some(({ kind, userId, byId }) => kind === 'studentExported' && userId === 'imani' && byId === 'runa'),
  ).toBe(true);
});

test('an erased student is gone with words, files and marks; how many there were stays', async () => {
  const { assignmentId, attemptId } = await work();
  // Given to her alone: nobody's, once she is gone.
  await school.assignLesson(lessonOf([everyKind.poll]), undefined, {}, [
    { kind: 'student', id: 'imani', classId: 'amber' },
  ]);
  const { path: file } = school.services.answerFiles.find(school.db.select().from(answerFiles).get()?.id ?? '');
  expect(fs.existsSync(file)).toBe(true);
  const wrong = await ask('runa', 'POST', '/api/people/imani/erasing', { name: 'Tomas' });
  expect([wrong.status, wrong.body.code]).toEqual([422, 'nameNotSame']);
  expect((await ask('runa', 'POST', '/api/people/adaeze/erasing', { name: 'adaeze' })).status).toBe(422);
  const student = school.as('imani');
  expect((await ask('runa', 'POST', '/api/people/imani/erasing', { name: ' IMANI ' })).status).toBe(204);
  expect((await student.ask('GET', '/api/todo')).status).toBe(401);
  expect(fs.existsSync(file)).toBe(false);
  const { db } = school;
  expect(
    db
      .select()
      .from(users)
      .all()
      .some(({ id }) => id === 'imani'),
  ).toBe(false);
  expect(db.select().from(attempts).all()).toEqual([]);
  expect(
    db
      .select()
      .from(assignments)
      .all()
      .map(({ id }) => id),
  ).toEqual([assignmentId]);
  expect(db.$client.pragma('foreign_key_check')).toEqual([]);
  // In no table, by no word, is anything left of them.
  db.$client.pragma('wal_checkpoint(TRUNCATE)');
  const tables = db.$client.prepare("select name from sqlite_master where type = 'table'").pluck().all() as string[];
  const left = tables.filter((name) =>
    JSON.stringify(db.$client.prepare(`select * from "${name}"`).all()).match(/imani|OWN WORDS/i),
  );
  expect(left).toEqual([]);
  expect(db.$client.prepare('select count(*) from attempt_events where attempt_id = ?').pluck().get(attemptId)).toBe(0);
  const sheet = (await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).body;
  expect(sheet.erased).toEqual({ begun: 1, handedIn: 0, earned: 0, possible: 0 });
  expect(sheet.students.map(({ studentId }: { studentId: string }) => studentId)).toEqual(['tomas']);
  expect(logged().filter(({ kind }) => kind === 'erased')).toMatchObject([{ userId: null, byId: 'runa' }]);
});

test('terms and days off are the school’s, for everybody in it, and replaced as a whole', async () => {
  const days = [
    { title: 'Spring term', kind: 'term', firstDay: '2027-01-11', lastDay: '2027-06-11' },
    { title: 'Autumn break', kind: 'off', firstDay: '2026-10-26', lastDay: '2026-10-30' },
  ];
  expect((await ask('runa', 'PUT', '/api/school/days', { days })).status).toBe(204);
  expect((await ask('imani', 'GET', '/api/school/days')).body).toEqual([days[1], days[0]]);
  expect((await ask('stranger', 'GET', '/api/school/days')).body).toEqual([]);
  expect((await ask('adaeze', 'PUT', '/api/school/days', { days })).status).toBe(404);
  const turned = [{ ...days[0], firstDay: '2027-07-01' }];
  expect((await ask('runa', 'PUT', '/api/school/days', { days: turned })).status).toBe(422);
  await ask('runa', 'PUT', '/api/school/days', { days: [] });
  expect((await ask('imani', 'GET', '/api/school/days')).body).toEqual([]);
});

import { SMTPServer } from 'smtp-server';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { mails, noticeSettings } from '../../db/schema.ts';
import { createSender, type School, startSchool } from '../../test/harness.ts';
import { createSmtpSender } from './mail-sender.ts';
import { writeNotices } from './mail-words.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
});
afterEach(() => school.stop());

const hour = 3_600_000;
const day = 24 * hour;
const ask = (who: string, method: string, path: string, body?: object) => school.as(who).ask(method, path, body);
const kindsOf = async (who = 'imani') =>
  (await ask(who, 'GET', '/api/notices')).body.items.map(({ kind }: { kind: string }) => kind);
const give = (dueAt: string | null = '2026-11-26T12:00', terms = {}) =>
  school.assignLesson(bridgeLesson, { skipping: false, rewindAtStops: true, maxRate: 2, ...terms }, { dueAt });

async function walk(assignmentId: string) {
  const { attemptId } = (await ask('imani', 'PUT', `/api/assignments/${assignmentId}/walk`)).body;
  const event = createSender(school.clock);
  for (const body of wholeWalk) {
    school.clock.now += 60_000;
    await ask('imani', 'POST', `/api/attempts/${attemptId}/events`, { events: [event(body)] });
  }
}

test('a lesson is new, due tomorrow, overdue: each once, however often it is looked for', async () => {
  await give();
  const tell = () => school.services.tellStudents();
  await tell();
  await tell();
  expect(await kindsOf()).toEqual(['new']);
  school.clock.now = Date.UTC(2026, 10, 25, 9);
  await tell();
  // By a clock an hour slow, and one an hour fast.
  school.clock.now -= hour;
  await tell();
  school.clock.now += 2 * hour;
  await tell();
  expect(await kindsOf()).toEqual(['dueTomorrow', 'new']);
  school.clock.now = Date.UTC(2026, 10, 26, 11, 1);
  await tell();
  await tell();
  expect(await kindsOf()).toEqual(['overdue', 'dueTomorrow', 'new']);
  const { unread, items } = (await ask('imani', 'GET', '/api/notices')).body;
  expect([unread, items[0].title]).toEqual([3, bridgeLesson.title]);
  await ask('imani', 'POST', '/api/notices/reading', { ids: [items[0].id] });
  expect((await ask('imani', 'GET', '/api/notices')).body.unread).toBe(2);
  // Nobody reads for others.
  await ask('tomas', 'POST', '/api/notices/reading', { ids: [items[1].id] });
  await ask('imani', 'POST', '/api/notices/reading', {});
  expect((await ask('imani', 'GET', '/api/notices')).body.unread).toBe(0);
  expect((await ask('tomas', 'GET', '/api/notices')).body.unread).toBe(3);
  // After a term they are nobody's news.
  school.clock.now += 151 * day;
  await school.services.clearAway();
  expect(await kindsOf()).toEqual([]);
});

test('who is excused, has it hidden, or whose class is put away is told nothing', async () => {
  const { assignmentId } = await give();
  await give(null, { hiddenUntilOpen: true });
  const adjust = (studentIds: string[], change: object) =>
    ask('adaeze', 'POST', `/api/assignments/${assignmentId}/adjustments`, { studentIds, change });
  await adjust(['imani'], { kind: 'excused' });
  await ask('adaeze', 'PATCH', '/api/classes/amber', { isArchived: true });
  await school.services.tellStudents();
  expect([await kindsOf('imani'), await kindsOf('tomas')]).toEqual([[], []]);
  await ask('adaeze', 'PATCH', '/api/classes/amber', { isArchived: false });
  await school.services.tellStudents();
  expect([await kindsOf('imani'), await kindsOf('tomas')]).toEqual([['new'], ['new', 'new']]);
});

test('what a teacher does is told: marked once a day, given back, more time, released, reminded', async () => {
  const { assignmentId } = await give();
  await walk(assignmentId);
  const at = `/api/assignments/${assignmentId}`;
  const mark = (more = {}) =>
    ask('adaeze', 'POST', `${at}/students/imani/marks`, {
      ...{ stopId: 's-two', questionId: 'q-written', points: 300, comment: 'Good.' },
      ...more,
    });
  await mark();
  await mark({ points: 200 });
  expect(await kindsOf()).toEqual(['marked']);
  await mark({ points: null, returns: true });
  expect(await kindsOf()).toEqual(['returned', 'marked']);
  await ask('adaeze', 'POST', `${at}/adjustments`, {
    ...{ studentIds: ['imani'], change: { kind: 'extendedBy', days: 2 } },
  });
  await ask('adaeze', 'POST', `${at}/release`, { isReleased: true });
  await ask('adaeze', 'POST', `${at}/nudges`, { studentIds: ['imani', 'tomas'] });
  await ask('adaeze', 'POST', `${at}/nudges`, { studentIds: ['imani'] });
  expect(await kindsOf()).toEqual(expect.arrayContaining(['nudged', 'extended', 'returned', 'marked']));
  expect((await kindsOf()).filter((kind: string) => kind === 'nudged')).toHaveLength(1);
  expect(await kindsOf('tomas')).toEqual(['nudged']);
  school.clock.now += day;
  await ask('adaeze', 'POST', `${at}/nudges`, { studentIds: ['imani'] });
  expect((await kindsOf()).filter((kind: string) => kind === 'nudged')).toHaveLength(2);
  expect((await ask('bruno', 'POST', `${at}/nudges`, { studentIds: ['imani'] })).status).toBe(404);
  expect((await ask('adaeze', 'POST', `${at}/nudges`, { studentIds: ['cobalt'] })).status).toBe(404);
});

test('a mark that is not shown yet is not told either', async () => {
  const { assignmentId } = await give(undefined, { shown: { points: 'whenReleased' } });
  await walk(assignmentId);
  await ask('adaeze', 'POST', `/api/assignments/${assignmentId}/students/imani/marks`, {
    ...{ stopId: 's-two', questionId: 'q-written', points: 300, comment: '' },
  });
  expect(await kindsOf()).toEqual([]);
  await ask('adaeze', 'POST', `/api/assignments/${assignmentId}/release`, { isReleased: true });
  expect(await kindsOf()).toEqual(['released']);
});

test('a row of dates that moves for all is told to who has not handed in', async () => {
  const { assignmentId } = await give();
  await walk(assignmentId);
  await ask('adaeze', 'POST', `/api/assignments/${assignmentId}/window/days`, { days: 7 });
  expect([await kindsOf('imani'), await kindsOf('tomas')]).toEqual([[], ['extended']]);
});

describe('by mail', () => {
  const settings = (mail: string, address: string | null = 'imani@home.example') =>
    ask('imani', 'PUT', '/api/notices/settings', { mail, address });
  const sent = () => school.db.select().from(mails).all();
  const tokenIn = (text: string) => /#(\S+)/.exec(text)?.[1] ?? '';
  const confirm = async () => {
    await school.services.tellStudents();
    const token = tokenIn(sent().at(-1)?.text ?? '');
    return school.visitor().ask('POST', '/api/notices/confirmation', { token });
  };

  test('nothing goes to an address before its owner says it is theirs, and no points ever', async () => {
    school.db.$client.exec("update schools set time_zone = 'UTC'");
    await settings('each');
    await give();
    await school.services.tellStudents();
    expect(sent().map(({ subject }) => subject)).toEqual(['Is this your address? (Quillhaven School)']);
    expect((await confirm()).status).toBe(204);
    expect((await confirm()).status).toBe(404);
    await school.services.tellStudents();
    await school.services.tellStudents();
    expect(sent()).toHaveLength(2);
    expect(sent()[1]).toMatchObject({ address: 'imani@home.example', sentAt: school.clock.now });
    expect(sent()[1]?.subject).toMatch(/^New: “How bridges carry load”, due 2026-11-26 12:00/);
    const { body } = await ask('imani', 'GET', '/api/notices');
    expect(body.settings).toEqual({ mail: 'each', address: 'imani@home.example', isConfirmed: true });
    // Another address is another owner.
    await settings('each', 'other@home.example');
    expect((await ask('imani', 'GET', '/api/notices')).body.settings.isConfirmed).toBe(false);
  });

  test('nobody has strangers written to without end', async () => {
    const statuses: number[] = [];
    for (let i = 0; i < 7; i++) statuses.push((await settings('each', `somebody${i}@home.example`)).status);
    expect(statuses).toEqual([204, 204, 204, 204, 204, 429, 429]);
    school.clock.now += day + 1;
    expect((await settings('each', 'mine@home.example')).status).toBe(204);
  });

  test('quiet hours wait on the school’s clock; a digest comes once a day with all of it', async () => {
    await settings('each');
    await confirm();
    await give();
    // Eight in the evening in Stockholm.
    school.db.$client.exec("update schools set time_zone = 'Europe/Stockholm'");
    school.clock.now = Date.UTC(2026, 10, 24, 19);
    await school.services.tellStudents();
    expect(sent()).toHaveLength(1);
    school.clock.now = Date.UTC(2026, 10, 25, 6);
    await school.services.tellStudents();
    expect(sent()[1]?.subject).toBe('2 notices from Quillhaven School');
    await settings('daily');
    await give('2026-11-30T12:00');
    await school.services.tellStudents();
    expect(sent()).toHaveLength(2);
    // Not on a day on which a mail went out already.
    school.clock.now = Date.UTC(2026, 10, 25, 15);
    await school.services.tellStudents();
    expect(sent()).toHaveLength(2);
    school.clock.now += day;
    await school.services.tellStudents();
    school.clock.now += hour;
    await give('2026-11-30T13:00');
    await school.services.tellStudents();
    expect(sent()).toHaveLength(3);
  });

  test('what was read needs no mail; one press turns them off, signed in or not', async () => {
    await settings('each');
    await confirm();
    await give();
    school.services.notices.markRead({ id: 'imani', roles: ['student'], schoolId: 'quillhaven', displayName: '' });
    const { stopToken } = school.db.select().from(noticeSettings).get() as { stopToken: string };
    expect((await school.visitor().ask('POST', `/api/notices/stop/${stopToken}`)).status).toBe(204);
    expect((await school.visitor().ask('POST', '/api/notices/stop/guessed')).status).toBe(404);
    await school.services.tellStudents();
    expect(sent()).toHaveLength(1);
    expect((await ask('imani', 'GET', '/api/notices')).body.settings.mail).toBe('none');
  });

  test('the stand-in shows a school its own mails, and no other', async () => {
    school.addPerson('runa', 'quillhaven', 'admin');
    school.addPerson('elsewhereRuna', 'elsewhere', 'admin');
    await settings('each');
    await school.services.tellStudents();
    expect((await ask('runa', 'GET', '/api/school/mails')).body).toMatchObject({
      ...{ isStandIn: true, mails: [{ address: 'imani@home.example' }] },
    });
    expect((await ask('elsewhereRuna', 'GET', '/api/school/mails')).body.mails).toEqual([]);
  });
});

test('a real mail server gets it with the way to stop it, and no second recipient by a name', async () => {
  const taken: { to: string[]; body: string }[] = [];
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    onData(stream, session, done) {
      let body = '';
      stream.on('data', (piece: Buffer) => {
        body += piece.toString();
      });
      stream.on('end', () => {
        taken.push({ to: session.envelope.rcptTo.map(({ address }) => address), body });
        done();
      });
    },
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.server.address() as { port: number };
  const sender = createSmtpSender(`smtp://127.0.0.1:${port}`, 'Semita <semita@school.example>');
  const line = {
    kind: 'marked',
    title: 'Bridges\r\nBcc: x@y.example',
    about: null,
    timeZone: 'UTC',
    url: 'https://s',
  } as const;
  const words = writeNotices([line], { schoolName: 'Quillhaven', stopUrl: 'https://s/mail-off#t' });
  await sender.send({ address: 'imani@home.example', ...words, stopUrl: 'https://s/api/notices/stop/t' });
  await new Promise<void>((resolve) => server.close(resolve));
  expect(taken.map(({ to }) => to)).toEqual([['imani@home.example']]);
  expect(taken[0]?.body).toContain('List-Unsubscribe: <https://s/api/notices/stop/t>');
  expect(taken[0]?.body).toContain('List-Unsubscribe-Post: List-Unsubscribe=One-Click');
  expect(taken[0]?.body.split('\r\n\r\n')[0]).not.toMatch(/^Bcc:/m);
});

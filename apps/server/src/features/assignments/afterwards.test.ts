import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { attempts } from '../../db/schema.ts';
import { createSender, type School, startSchool } from '../../test/harness.ts';

let school: School;
let assignmentId: string;
beforeEach(async () => {
  school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  ({ assignmentId } = await school.assignLesson(lessonOf([everyKind.poll])));
});
afterEach(() => school.stop());

const ask = (who: string, method: string, path: string, body?: object) => school.as(who).ask(method, path, body);
const takeBack = (isTakenBack: boolean) =>
  ask('adaeze', 'POST', `/api/assignments/${assignmentId}/taking-back`, { isTakenBack });

describe('what is taken back', () => {
  test('is in nobody’s list, and its students’ work is kept and comes back with it', async () => {
    const { attemptId } = (await ask('imani', 'PUT', `/api/assignments/${assignmentId}/walk`)).body;
    const event = createSender(school.clock);
    const send = () =>
      ask('imani', 'POST', `/api/attempts/${attemptId}/events`, { events: [event({ type: 'opened' })] });
    await send();
    expect((await takeBack(true)).status).toBe(204);
    expect((await ask('adaeze', 'GET', '/api/assignments')).body).toEqual([]);
    expect((await ask('imani', 'GET', '/api/todo')).body.items).toEqual([]);
    expect((await ask('tomas', 'PUT', `/api/assignments/${assignmentId}/walk`)).status).not.toBe(200);
    // To a page that is still open it is closed, as to somebody who has left the class.
    expect((await send()).body.code).toBe('windowClosed');
    // The class says that it was, and its teacher still sees the sheet.
    const [summary] = (await ask('adaeze', 'GET', '/api/classes/amber')).body.assignments;
    expect(summary.takenBackAt).toBe(school.clock.now);
    expect((await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).status).toBe(200);
    await takeBack(false);
    expect((await ask('imani', 'GET', '/api/todo')).body.items).toHaveLength(1);
    expect((await ask('imani', 'PUT', `/api/assignments/${assignmentId}/walk`)).body.attemptId).toBe(attemptId);
    const [again] = (await ask('adaeze', 'GET', '/api/assignments')).body;
    expect([again.takenBackAt, again.begunCount]).toEqual([null, 1]);
  });

  test('stands in the history, as does what a class had that was put away', async () => {
    await takeBack(true);
    await ask('adaeze', 'PATCH', '/api/classes/amber', { isArchived: true });
    const [only, ...others] = (await ask('adaeze', 'GET', '/api/history')).body;
    expect([only.id, only.takenBackAt, others]).toEqual([assignmentId, school.clock.now, []]);
    expect((await ask('bruno', 'GET', '/api/history')).body).toEqual([]);
  });

  test('is never taken from a class that its teacher does not teach', async () => {
    const { lessonId } = (await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).body;
    school.services.classes.addTeacher({ ...beside, id: 'bruno' }, 'bronze', 'adaeze');
    const to = ['amber', 'bronze'].map((id) => ({ kind: 'class', id }));
    const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
    const dates = { opensAt: null, dueAt: null, closesAt: null };
    const given = await ask('adaeze', 'POST', '/api/assignments', { lessonId, to, terms, ...dates, isAgain: true });
    const at = `/api/assignments/${given.body.id}`;
    for (const [method, path, body] of [
      ['POST', '/taking-back', { isTakenBack: true }],
      ['PUT', '/note', { note: 'Mine' }],
    ] as const)
      expect((await ask('bruno', method, at + path, body)).body.code).toBe('givenToOthers');
    expect((await ask('imani', 'GET', '/api/todo')).body.items).toHaveLength(2);
    // The dates of his own class he moves, and nobody else's.
    await ask('bruno', 'PATCH', `${at}/window`, { ...dates, dueAt: '2026-12-09T12:00' });
    const dueOf = async (id: string) => (await ask(id, 'GET', '/api/todo')).body.items.at(-1).dueAt;
    expect([await dueOf('imani'), await dueOf('cobalt')]).toEqual([null, Date.UTC(2026, 11, 9, 11)]);
    expect((await ask('adaeze', 'POST', `${at}/taking-back`, { isTakenBack: true })).status).toBe(204);
  });
  const beside = { roles: ['teacher' as const], schoolId: 'quillhaven', displayName: '' };

  test('is kept for thirty days, then it goes with what was done in it', async () => {
    const { attemptId } = (await ask('imani', 'PUT', `/api/assignments/${assignmentId}/walk`)).body;
    await takeBack(true);
    school.clock.now += 30 * 24 * 3_600_000 - 1;
    await school.services.clearAway();
    expect((await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).status).toBe(200);
    school.clock.now += 2;
    await school.services.clearAway();
    expect((await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).status).toBe(404);
    const left = school.db.select().from(attempts).where(eq(attempts.id, attemptId)).all();
    expect(left).toEqual([]);
    expect(school.db.$client.pragma('foreign_key_check')).toEqual([]);
  });

  test('can be given anew without a warning', async () => {
    await takeBack(true);
    const { lessonId } = (await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).body;
    const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
    const dates = { opensAt: null, dueAt: null, closesAt: null };
    const to = [{ kind: 'class', id: 'amber' }];
    expect((await ask('adaeze', 'POST', '/api/assignments', { lessonId, to, terms, ...dates })).status).toBe(200);
  });
});

describe('more time', () => {
  const day = 24 * 3_600_000;
  const adjust = (studentIds: string[], change: object) =>
    ask('adaeze', 'POST', `/api/assignments/${assignmentId}/adjustments`, { studentIds, change });
  const dueOf = async (id: string) => (await ask(id, 'GET', '/api/todo')).body.items[0].dueAt;
  beforeEach(async () => {
    const window = { opensAt: null, dueAt: '2026-11-26T23:59', closesAt: null };
    await ask('adaeze', 'PATCH', `/api/assignments/${assignmentId}/window`, window);
  });

  test('for one and some, counted from what each of them has; taken back, it is as for everybody', async () => {
    const due = await dueOf('imani');
    await adjust(['imani'], { kind: 'extendedBy', days: 1 });
    await adjust(['imani', 'tomas'], { kind: 'extendedBy', days: 7 });
    expect([await dueOf('imani'), await dueOf('tomas')]).toEqual([due + 8 * day, due + 7 * day]);
    // Taken back, each has what they had before.
    await adjust(['imani', 'tomas'], { kind: 'datesTakenBack' });
    expect([await dueOf('imani'), await dueOf('tomas')]).toEqual([due + day, due]);
    await adjust(['imani', 'tomas'], { kind: 'extensionEnded' });
    expect([await dueOf('imani'), await dueOf('tomas')]).toEqual([due, due]);
  });

  test('for everybody', async () => {
    const due = await dueOf('imani');
    const { body } = await ask('adaeze', 'POST', `/api/assignments/${assignmentId}/window/days`, { days: 7 });
    expect([body.before[0].dueAt, body.now.dueAt]).toEqual([due, due + 7 * day]);
    expect([await dueOf('imani'), await dueOf('tomas')]).toEqual([due + 7 * day, due + 7 * day]);
  });

  test('changes nothing where there is no end', async () => {
    const none = { opensAt: null, dueAt: null, closesAt: null };
    await ask('adaeze', 'PATCH', `/api/assignments/${assignmentId}/window`, none);
    expect((await adjust(['imani'], { kind: 'extendedBy', days: 7 })).status).toBe(200);
    await ask('adaeze', 'POST', `/api/assignments/${assignmentId}/window/days`, { days: 7 });
    expect(await dueOf('imani')).toBeNull();
  });
});

test('who joins after the due date is told apart, and gets one that can be met', async () => {
  const window = { opensAt: null, dueAt: '2026-11-26T23:59', closesAt: '2026-11-27T23:59' };
  await ask('adaeze', 'PATCH', `/api/assignments/${assignmentId}/window`, window);
  school.clock.now = Date.UTC(2026, 10, 29, 9);
  school.services.roster.add('amber', 'cobalt');
  const lateOnes = async () =>
    (await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).body.students
      .filter(({ cameTooLate }: { cameTooLate?: true }) => cameTooLate)
      .map(({ studentId }: { studentId: string }) => studentId);
  expect(await lateOnes()).toEqual(['cobalt']);
  await ask('adaeze', 'POST', `/api/assignments/${assignmentId}/adjustments`, {
    ...{ studentIds: ['cobalt'], change: { kind: 'extendedBy', days: 7 } },
  });
  expect(await lateOnes()).toEqual([]);
  const [item] = (await ask('cobalt', 'GET', '/api/todo')).body.items;
  expect(item.dueAt).toBeGreaterThan(school.clock.now + 6 * 24 * 3_600_000);
  expect(item.closesAt).toBeGreaterThan(item.dueAt);
});

describe('a newer edition', () => {
  const sheet = async () => (await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).body;
  const correct = async () => {
    const { lessonId } = await sheet();
    const at = `/api/lessons/${lessonId}`;
    const { version } = (await ask('adaeze', 'GET', at)).body;
    const change = { type: 'setTitle', title: 'Corrected' };
    await ask('adaeze', 'POST', `${at}/changes`, { baseVersion: version, changes: [change] });
    await ask('adaeze', 'POST', `${at}/editions`, { draftVersion: version + 1 });
  };
  const swap = (editionNumber: number, studentIds: string[]) =>
    ask('adaeze', 'POST', `/api/assignments/${assignmentId}/adjustments`, {
      studentIds,
      change: { kind: 'editionSwapped', editionNumber },
    });
  const isCorrectedFor = async (id: string) =>
    (await ask(id, 'PUT', `/api/assignments/${assignmentId}/walk`)).text.includes('"Corrected"');

  test('is offered to who has not begun; whoever has begun keeps theirs, and it can be taken back', async () => {
    await ask('imani', 'PUT', `/api/assignments/${assignmentId}/walk`);
    expect((await sheet()).newer).toBeNull();
    await correct();
    expect((await sheet()).newer).toEqual({ editionNumber: 2, studentIds: ['tomas'], begunCount: 1 });
    await swap(2, ['tomas']);
    expect((await sheet()).newer).toEqual({ editionNumber: 2, studentIds: [], begunCount: 1 });
    await swap(1, ['tomas']);
    expect((await sheet()).newer.studentIds).toEqual(['tomas']);
    await swap(2, ['tomas']);
    school.clock.now += 1_000;
    expect([await isCorrectedFor('imani'), await isCorrectedFor('tomas')]).toEqual([false, true]);
  });
});

test('terms: the last are offered first, others are kept under names, and nobody sees another’s', async () => {
  const terms = { skipping: true, rewindAtStops: false, maxRate: 1, attempts: 3, counted: 'best' };
  expect((await ask('bruno', 'GET', '/api/terms')).body).toEqual({ last: null, presets: [] });
  await ask('adaeze', 'POST', '/api/terms', { name: 'Practice', terms: { ...terms, attempts: 2 } });
  await ask('adaeze', 'POST', '/api/terms', { name: ' Practice ', terms });
  const { last, presets } = (await ask('adaeze', 'GET', '/api/terms')).body;
  expect(last).toEqual({ skipping: false, rewindAtStops: true, maxRate: 2 });
  expect(presets).toMatchObject([{ name: 'Practice', terms }]);
  expect((await ask('bruno', 'DELETE', `/api/terms/${presets[0].id}`)).status).toBe(404);
  expect((await ask('adaeze', 'DELETE', `/api/terms/${presets[0].id}`)).status).toBe(204);
  expect((await ask('adaeze', 'GET', '/api/terms')).body.presets).toEqual([]);
});

test('a note stands in everybody’s list, and what is hidden stands in none before it opens', async () => {
  const { lessonId } = (await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).body;
  const given = await ask('adaeze', 'POST', '/api/assignments', {
    ...{ lessonId, isAgain: true, note: '  Bring a ruler. ', to: [{ kind: 'class', id: 'amber' }] },
    ...{ opensAt: '2026-11-25T08:00', dueAt: null, closesAt: null },
    terms: { skipping: false, rewindAtStops: true, maxRate: 2, hiddenUntilOpen: true },
  });
  const notes = async () =>
    (await ask('imani', 'GET', '/api/todo')).body.items.map(({ note }: { note: string }) => note);
  expect(await notes()).toEqual(['']);
  const token = (await ask('imani', 'POST', '/api/calendar', { alarmMinutes: null })).body.token;
  const feed = async () => (await school.visitor().ask('GET', `/api/feeds/${token}/semita.ics`)).text;
  expect(await feed()).not.toContain(given.body.id);
  school.clock.now = Date.UTC(2026, 10, 25, 7);
  expect(await notes()).toEqual(['', 'Bring a ruler.']);
  expect(await feed()).toContain(given.body.id);
  await ask('adaeze', 'PUT', `/api/assignments/${given.body.id}/note`, { note: 'Bring two.' });
  expect(await notes()).toEqual(['', 'Bring two.']);
  expect((await ask('bruno', 'PUT', `/api/assignments/${given.body.id}/note`, { note: 'No.' })).status).toBe(404);
});

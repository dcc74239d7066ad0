import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { attempts, users } from '../../db/schema.ts';
import { type Client, createSender, type School, startSchool } from '../../test/harness.ts';
import { rebuildStates } from '../attempts/rebuild-states.ts';

let school: School;
let assignmentId: string;
beforeEach(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
  ({ assignmentId } = await school.assignLesson(bridgeLesson));
});
afterEach(() => school.stop());

const ask = (who: string, method: string, path: string, body?: object) => school.as(who).ask(method, path, body);
const setLink = async (isOpen = true, isNew = false) =>
  (await ask('adaeze', 'PUT', `/api/assignments/${assignmentId}/guest-link`, { isOpen, isNew })).body.token as string;

async function come(token: string, displayName = 'Grandma'): Promise<{ guest: Client; id: string; code?: string }> {
  const guest = school.visitor();
  const { body } = await guest.ask('POST', '/api/guests', { token, displayName });
  return { guest, id: body.me?.id ?? '', code: body.code };
}

async function walk(client: Client, count = wholeWalk.length) {
  const { attemptId } = (await client.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
  const event = createSender(school.clock);
  for (const body of wholeWalk.slice(0, count)) {
    school.clock.now += 60_000;
    await client.ask('POST', `/api/attempts/${attemptId}/events`, { events: [event(body)] });
  }
  return attemptId as string;
}
const lines = async () =>
  (await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).body.students as {
    studentId: string;
    displayName: string;
    isGuest?: true;
    row: string | null;
    attempt?: object;
  }[];

test('a guest sees what they come to, gives a name, walks it, and stands on the sheet as a guest', async () => {
  const token = await setLink();
  const look = await school.visitor().ask('POST', '/api/guests/look', { token });
  expect(look.body).toEqual({ title: bridgeLesson.title, schoolName: 'Quillhaven School', teacherName: 'adaeze' });
  // Named like the teacher, and told apart all the same.
  const { guest, id } = await come(token, 'adaeze');
  await walk(guest);
  expect((await lines()).find(({ studentId }) => studentId === id)).toMatchObject({
    ...{ displayName: 'adaeze (guest)', isGuest: true },
  });
  expect((await guest.ask('GET', '/api/todo')).body.items).toHaveLength(1);
  // Nothing else of the school is theirs.
  expect((await guest.ask('GET', '/api/classes')).status).toBe(404);
  const { assignmentId: other } = await school.assignLesson(bridgeLesson);
  expect((await guest.ask('PUT', `/api/assignments/${other}/walk`)).status).toBe(404);
});

test('a name is tidied, and one that is none or far too long is refused', async () => {
  const token = await setLink();
  for (const name of ['   ', '🦆'.repeat(200)])
    expect((await school.visitor().ask('POST', '/api/guests', { token, displayName: name })).status).toBe(422);
  const { id } = await come(token, '  Kim\u200b \n Vo ');
  expect((await lines()).find(({ studentId }) => studentId === id)?.displayName).toBe('Kim Vo (guest)');
});

describe('the link', () => {
  test('is its teacher’s alone, is closed, and is renewed; who is there stays', async () => {
    const first = await setLink();
    const { guest } = await come(first);
    expect((await ask('bruno', 'GET', `/api/assignments/${assignmentId}/guest-link`)).status).toBe(404);
    expect((await ask('imani', 'GET', `/api/assignments/${assignmentId}/guest-link`)).status).toBe(404);
    await setLink(false);
    expect((await come(first)).code).toBe('codeOff');
    const second = await setLink(true, true);
    expect((await come(first)).code).toBe('codeUnknown');
    expect((await come(second)).id).not.toBe('');
    expect((await guest.ask('GET', '/api/todo')).body.items).toHaveLength(1);
  });
  test('leads nowhere once it is taken back, or its class put away', async () => {
    const token = await setLink();
    await ask('adaeze', 'PATCH', '/api/classes/amber', { isArchived: true });
    expect((await come(token)).code).toBe('codeOff');
    await ask('adaeze', 'PATCH', '/api/classes/amber', { isArchived: false });
    await ask('adaeze', 'POST', `/api/assignments/${assignmentId}/taking-back`, { isTakenBack: true });
    expect((await come(token)).code).toBe('codeOff');
  });
  test('cannot be guessed for long', async () => {
    const tries = await Promise.all(
      Array.from({ length: 230 }, () => school.visitor().ask('POST', '/api/guests/look', { token: 'x'.repeat(43) })),
    );
    expect(tries.some(({ body }) => body.code === 'signInThrottled')).toBe(true);
  });
});

test('a guest who was a student: the work moves, nothing is doubled, and the guest is gone', async () => {
  const { guest, id } = await come(await setLink());
  const attemptId = await walk(guest);
  const own = await walk(school.as('imani'), 3);
  const at = `/api/assignments/${assignmentId}/guests`;
  // Known in memory by the guest before.
  await guest.ask('POST', `/api/attempts/${attemptId}/events`, {
    events: [createSender(school.clock)({ type: 'opened' })],
  });
  expect((await ask('adaeze', 'POST', `${at}/imani/match`, { toStudentId: 'tomas' })).status).toBe(404);
  expect((await ask('adaeze', 'POST', `${at}/${id}/match`, { toStudentId: 'cobalt' })).status).toBe(404);
  expect((await ask('bruno', 'POST', `${at}/${id}/match`, { toStudentId: 'imani' })).status).toBe(404);
  expect((await ask('adaeze', 'POST', `${at}/${id}/match`, { toStudentId: 'imani' })).status).toBe(204);
  const rows = school.db
    .select()
    .from(attempts)
    .all()
    .toSorted((a, b) => a.number - b.number);
  expect(rows.map(({ id: one, studentId, number }) => [one, studentId, number])).toEqual([
    [attemptId, 'imani', 1],
    // What she is in the middle of stays the one she goes on with.
    [own, 'imani', 2],
  ]);
  expect(
    school.db
      .select()
      .from(users)
      .all()
      .some((user) => user.id === id),
  ).toBe(false);
  expect((await guest.ask('GET', '/api/todo')).status).toBe(401);
  // It is theirs to go on with, and by its log it is what it was.
  const event = createSender(school.clock);
  const sent = await school
    .as('imani')
    .ask('POST', `/api/attempts/${own}/events`, { events: [event({ type: 'opened' })] });
  expect(sent.status).toBe(200);
  expect((await lines()).filter(({ isGuest }) => isGuest)).toEqual([]);
  expect((await lines()).find(({ studentId }) => studentId === 'imani')?.attempt).toEqual({ number: 1, count: 2 });
  expect(rebuildStates(school.db).changed).toEqual([]);
  expect(school.db.$client.pragma('foreign_key_check')).toEqual([]);
});

test('a change of the class leaves guests alone; a guest is removed with what they did', async () => {
  const { id, guest } = await come(await setLink());
  await walk(guest, 3);
  school.services.roster.remove('amber', 'tomas');
  school.services.roster.add('amber', 'tomas');
  expect((await guest.ask('GET', '/api/todo')).body.items).toHaveLength(1);
  expect((await ask('adaeze', 'DELETE', `/api/assignments/${assignmentId}/guests/imani`)).status).toBe(404);
  expect((await ask('adaeze', 'DELETE', `/api/assignments/${assignmentId}/guests/${id}`)).status).toBe(204);
  expect((await lines()).map(({ studentId }) => studentId)).toEqual(['imani', 'tomas']);
  // Of the class nobody is missing.
  expect((await ask('adaeze', 'GET', `/api/assignments/${assignmentId}/sheet`)).body.erased).toBe(null);
  expect(school.db.select().from(attempts).all()).toEqual([]);
});

test('guests read nothing that the class has written to each other, nor the class what guests wrote', async () => {
  school.addMaterial('picture', 60_000);
  ({ assignmentId } = await school.assignLesson(lessonOf([everyKind.discussion])));
  const { guest } = await come(await setLink());
  const post = async (client: Client, text: string) => {
    const { attemptId, view } = (await client.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
    const event = createSender(school.clock);
    const [stop] = view.lesson.parts.flatMap(({ stops }: { stops: { id: string }[] }) => stops);
    const responses = { [everyKind.discussion.id]: { kind: 'extendedText', text } as const };
    school.clock.now += 60_000;
    const events = [
      event({ type: 'reachedStop', stopId: stop.id }),
      event({ type: 'answered', stopId: stop.id, responses }),
    ];
    await client.ask('POST', `/api/attempts/${attemptId}/events`, { events });
  };
  await post(guest, 'From a guest');
  await post(school.as('imani'), 'From Imani');
  const read = async (client: Client) =>
    (await client.ask('GET', `/api/assignments/${assignmentId}/questions/${everyKind.discussion.id}/thread`)).body.map(
      ({ text }: { text: string }) => text,
    );
  expect(await read(guest)).toEqual(['From a guest']);
  expect(await read(school.as('imani'))).toEqual(['From Imani']);
  expect((await read(school.as('adaeze'))).toSorted()).toEqual(['From Imani', 'From a guest']);
});

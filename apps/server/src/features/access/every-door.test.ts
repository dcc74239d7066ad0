import { permissionOf, type Relation, type Role, type Route, type RouteName, routes } from '@semita/core/contract';
import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import {
  answerFiles,
  assignments,
  attempts,
  classTeachers,
  noticeSettings,
  reviewRounds,
  securityEvents,
  series,
  substitutions,
} from '../../db/schema.ts';
import { type School, startSchool } from '../../test/harness.ts';

/** Everybody who might try a door, and how they stand to each kind of thing in the school of this test. */
interface Person {
  readonly roles: readonly Role[];
  readonly to: Partial<Record<string, readonly Relation[]>>;
}
const follows = (relation: Relation) => ({
  ...{ class: [relation], assignment: [relation], series: [relation], answerFile: [relation] },
});
const people: Readonly<Record<string, Person>> = {
  /** Teaches 8 Amber, and made everything. */
  adaeze: {
    roles: ['teacher'],
    to: {
      ...follows('teaches'),
      ...{
        lesson: ['owns'],
        material: ['owns'],
        bankItem: ['owns'],
        bankItems: ['owns'],
        phrase: ['owns'],
        learningTarget: ['owns'],
        termPreset: ['owns'],
      },
    },
  },
  /** Teaches 8 Amber with her. */
  beside: { roles: ['teacher'], to: { ...follows('teaches'), material: ['colleague'] } },
  /** Stands in these days; has done so until yesterday; will from tomorrow on. */
  standsIn: { roles: ['teacher'], to: { ...follows('substitutes'), material: ['colleague'] } },
  stoodIn: { roles: ['teacher'], to: { material: ['colleague'] } },
  willStandIn: { roles: ['teacher'], to: { material: ['colleague'] } },
  /** Teaches another class of the school. */
  bruno: { roles: ['teacher'], to: { material: ['colleague'] } },
  /** Looks after the school, and teaches nobody. */
  keeper: { roles: ['admin'], to: { invitation: ['looksAfter'], person: ['looksAfter'], class: ['looksAfter'] } },
  /** Looks after another school. */
  keepsElsewhere: { roles: ['admin'], to: {} },
  /** Of another school. */
  stranger: { roles: ['teacher'], to: {} },
  /** Has begun it. */
  imani: {
    roles: ['student'],
    to: {
      ...{ class: ['attends'], assignment: ['receives'], material: ['receives'] },
      ...{ attempt: ['worksOn'], answerFile: ['worksOn'], reviewRound: ['worksOn'] },
    },
  },
  /** Has it, too. */
  tomas: { roles: ['student'], to: { class: ['attends'], assignment: ['receives'], material: ['receives'] } },
  /** Had begun it, and left. */
  gone: { roles: ['student'], to: { assignment: ['left'], material: ['receives'] } },
  /** Of another class, and of another school. */
  cobalt: { roles: ['student'], to: {} },
  outsider: { roles: ['student'], to: {} },
};

let school: School;
const things: Record<string, string> = {};
beforeAll(async () => {
  school = await startSchool();
  const { db, clock } = school;
  for (const id of ['beside', 'standsIn', 'stoodIn', 'willStandIn']) school.addPerson(id, 'quillhaven', 'teacher');
  school.addPerson('keeper', 'quillhaven', 'admin');
  school.addPerson('keepsElsewhere', 'elsewhere', 'admin');
  school.addStudents(['gone']);
  for (const id of ['third', 'fourth']) school.addPerson(id, 'quillhaven', 'teacher');
  for (const teacherId of ['beside', 'third']) db.insert(classTeachers).values({ classId: 'amber', teacherId }).run();
  const day = 24 * 3_600_000;
  const days = (teacherId: string, since: number, until: number) => ({
    ...{ id: teacherId, classId: 'amber', teacherId, since: clock.now + since * day, until: clock.now + until * day },
  });
  db.insert(substitutions)
    .values([days('standsIn', -1, 1), days('stoodIn', -3, -1), days('willStandIn', 1, 2), days('fourth', -1, 1)])
    .run();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  const { assignmentId, lessonId } = await school.assignLesson(lessonOf(Object.values(everyKind)));
  for (const id of ['imani', 'gone']) await school.as(id).ask('PUT', `/api/assignments/${assignmentId}/walk`);
  school.services.roster.remove('amber', 'gone');
  clock.now += 1_000;
  const attempt = db.select().from(attempts).where(eq(attempts.studentId, 'imani')).get();
  const adaeze = school.as('adaeze');
  const question = { id: 'q', kind: 'extendedText', stem: 'Why?', points: 100, teacherNote: '' };
  const bank = await adaeze.ask('POST', '/api/bank', { entries: [{ question, tags: [] }] });
  const phrase = await adaeze.ask('POST', '/api/phrases', { text: 'Say why.' });
  const brought = { targets: [{ code: 'F.1', words: 'Tells forces apart', parentCode: null }] };
  await adaeze.ask('POST', '/api/targets', brought);
  const [target] = (await adaeze.ask('GET', '/api/targets')).body;
  const { body: kept } = await adaeze.ask('POST', '/api/classes/amber/gradebook/kept', { note: '' });
  const invited = { displayName: 'Somebody', email: 'somebody@example.org', isAdmin: false };
  const { invitation } = (await school.as('keeper').ask('POST', '/api/invitations', invited)).body;
  await adaeze.ask('POST', '/api/terms', { name: 'Test', terms: { skipping: false, rewindAtStops: true, maxRate: 2 } });
  const [preset] = (await adaeze.ask('GET', '/api/terms')).body.presets;
  const practice = await adaeze.ask('PUT', `/api/lessons/${lessonId}/practice-link`, {
    ...{ isOpen: true, isNew: false, frames: [] },
  });
  const feed = (await school.as('tomas').ask('POST', '/api/calendar', { alarmMinutes: null })).body;
  const file = { id: 'file', attemptId: attempt?.id ?? '', name: 'a.txt', mimeType: 'text/plain', byteLength: 1 };
  db.insert(answerFiles)
    .values({ ...file, sha256: 'none', createdAt: 0 })
    .run();
  db.insert(series)
    .values({ id: 'series', schoolId: 'quillhaven', createdBy: 'adaeze', title: 'Bridges', createdAt: 0 })
    .run();
  db.update(assignments).set({ seriesId: 'series', seriesPlace: 0 }).where(eq(assignments.id, assignmentId)).run();
  const round = { id: 'round', classId: 'amber', studentId: 'imani', day: '2026-11-24', secret: 'secret', begunAt: 0 };
  db.insert(reviewRounds)
    .values({ ...round, lesson: lessonOf([]) })
    .run();
  db.insert(noticeSettings).values({ userId: 'tomas', stopToken: 'stop' }).run();
  Object.assign(things, {
    ...{
      classId: 'amber',
      materialId: 'film',
      lessonId,
      assignmentId,
      attemptId: attempt?.id,
      fileId: 'file',
      roundId: 'round',
    },
    ...{
      itemId: bank.body.ids[0],
      itemIds: bank.body.ids[0],
      phraseId: phrase.body.id,
      studentId: 'imani',
      userId: 'tomas',
    },
    ...{
      invitationId: invitation.id,
      presetId: preset.id,
      targetId: target.id,
      keptId: kept.id,
      seriesId: 'series',
      feedToken: feed.token,
      stopToken: 'stop',
      practiceToken: practice.body.token,
      teacherId: 'third',
      substitutionId: 'fourth',
    },
    ...{ questionId: 'q-discussion', number: '1', pictureName: 'one', fileName: 'a.webm' },
  });
});
afterAll(() => school.stop());

const isRefused = (name: RouteName, { roles, to }: Person): boolean => {
  const { audience } = routes[name] as Route;
  if (audience === 'anyone') return false;
  if (audience === 'demoVisitor') return true;
  if (audience !== 'signedIn' && !roles.includes(audience)) return true;
  const permission = permissionOf(name);
  return permission !== null && !permission.by.some((relation) => to[permission.thing]?.includes(relation));
};

/** What a door answers, and whether it was the door that refused. */
async function tryDoor(name: RouteName, personId: string) {
  const { method, path, body } = routes[name] as Route;
  const address = path.replace(/:(\w+)/g, (_, param: string) => things[param] ?? 'missing');
  const mine = and(eq(securityEvents.userId, personId), eq(securityEvents.kind, 'refused'));
  const refusals = () => school.db.select().from(securityEvents).where(mine).all().length;
  const before = refusals();
  // So many refusals a minute are written down, and no more.
  school.clock.now += 1_500;
  const { status } = await school.as(personId).ask(method, address, body ? {} : undefined);
  return { status, refused: refusals() > before };
}

/** These end what the others need, or never end by themselves. */
const apart: readonly RouteName[] = ['signOut', 'signOutEverywhere', 'watch', 'enterDemo', 'uploadFile'];
const names = (Object.keys(routes) as RouteName[])
  .filter((name) => !apart.includes(name))
  // Last, so that what they take away was there for everybody.
  .toSorted((a, b) => Number(routes[a].method === 'DELETE') - Number(routes[b].method === 'DELETE'));
const doors = names.flatMap((name) => Object.keys(people).map((personId) => [name, personId] as const));

describe('every route as everybody, in every relation', () => {
  // Who is let in comes last at each door: what they do there keeps nobody else's answer from being true.
  const inOrder = doors.toSorted(
    (a, b) =>
      names.indexOf(a[0]) - names.indexOf(b[0]) ||
      Number(isRefused(b[0], people[b[1]] as Person)) - Number(isRefused(a[0], people[a[1]] as Person)),
  );
  test.each(inOrder)('%s as %s', async (name, personId) => {
    const { status, refused } = await tryDoor(name, personId);
    const isExpected = isRefused(name, people[personId] as Person);
    const isOfDemo = (routes[name] as Route).audience === 'demoVisitor';
    expect(refused || (isOfDemo && status === 404)).toBe(isExpected);
    if (isExpected) expect(status).toBe(404);
    else expect(status).toBeLessThan(500);
  });
});

test('what is told live is for whoever follows the assignment, or receives it', async () => {
  const status = async (id: string, topic: string) => {
    const stream = await fetch(`${school.base}/api/live?on=${topic}`, { headers: { cookie: school.as(id).cookie } });
    await stream.body?.cancel();
    return stream.status;
  };
  for (const [id, person] of Object.entries(people)) {
    const follows = person.to.assignment?.some((relation) => relation === 'teaches' || relation === 'substitutes');
    expect([id, await status(id, `sheet:${things.assignmentId}`)]).toEqual([id, follows ? 200 : 404]);
    expect([id, await status(id, 'own')]).toEqual([id, person.roles.includes('student') ? 200 : 404]);
  }
  for (const topic of ['', 'sheet:nowhere', 'everything', 'own&on=sheet:nowhere'])
    expect([topic, await status('imani', topic)]).toEqual([topic, 404]);
});

test('a substitute sees the class and its sheet, and gives time; marks are for its teachers', async () => {
  const substitute = school.as('standsIn');
  expect((await substitute.ask('GET', '/api/classes')).body.map(({ id }: { id: string }) => id)).toEqual(['amber']);
  const { assignmentId } = things;
  const { body } = await substitute.ask('GET', `/api/assignments/${assignmentId}/sheet`);
  expect(body.students).toHaveLength(3);
  const change = { kind: 'extended', window: { opensAt: null, dueAt: '2026-11-30T12:00', closesAt: null } };
  const at = `/api/assignments/${assignmentId}/adjustments`;
  expect((await substitute.ask('POST', at, { studentIds: ['imani'], change })).status).toBe(200);
  const give = { lessonId: things.lessonId, to: [{ kind: 'class', id: 'amber' }], opensAt: null, dueAt: null };
  const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
  expect((await substitute.ask('POST', '/api/assignments', { ...give, closesAt: null, terms })).status).toBe(404);
  school.clock.now += 24 * 3_600_000;
  expect((await substitute.ask('GET', '/api/classes')).body).toEqual([]);
  school.clock.now -= 24 * 3_600_000;
});

import { readOneRoster } from '@semita/core/roster';
import { eq } from 'drizzle-orm';
import { strFromU8, unzipSync } from 'fflate';
import Papa from 'papaparse';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { classes, users } from '../../db/schema.ts';
import { type School, startSchool } from '../../test/harness.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
  school.addPerson('keeper', 'quillhaven', 'admin');
});
afterEach(() => school.stop());

const student = (externalId: string, displayName: string, userName = '') => ({
  ...{ externalId, displayName, userName, email: '', isTeacher: false },
});
const teacher = (externalId: string, displayName: string, email: string) => ({
  ...{ externalId, displayName, userName: '', email, isTeacher: true },
});
const sent = () => ({
  people: [student('u1', 'Ada Lund', 'ada.l'), student('u2', 'Bo Ek'), teacher('t1', 'Mira Holm', 'mira@q.example')],
  classes: [{ externalId: 'c1', name: '9 Birch', studentIds: ['u1', 'u2'], teacherIds: ['t1'] }],
});
const keeper = () => school.as('keeper');
const plan = async (body: object) => (await keeper().ask('POST', '/api/school/one-roster/plan', body)).body;
const take = (body: object, takesOutGone = false) =>
  keeper().ask('POST', '/api/school/one-roster', { package: body, takesOutGone });
const byName = (name: string) => school.db.select().from(users).where(eq(users.displayName, name)).get();
const birch = () => school.db.select().from(classes).where(eq(classes.name, '9 Birch')).all();

test('a package is looked at, then taken; a second time it changes nothing and doubles nobody', async () => {
  const before = await plan(sent());
  expect(before.people).toEqual({ added: 3, renamed: 0, same: 0 });
  expect(before.classes).toEqual([
    { externalId: 'c1', name: '9 Birch', isNew: true, studentCount: 2, coming: 2, gone: [] },
  ]);
  expect(birch()).toEqual([]);
  expect((await take(sent())).status).toBe(200);
  expect([byName('Ada Lund')?.userName, byName('Bo Ek')?.userName]).toEqual(['ada.l', 'bo.ek']);
  const after = await plan(sent());
  expect([after.people, after.classes[0].coming]).toEqual([{ added: 0, renamed: 0, same: 3 }, 0]);
  const count = school.db.select().from(users).all().length;
  await take(sent());
  expect(school.db.select().from(users).all()).toHaveLength(count);
  expect(birch()).toHaveLength(1);
});

test('who is called otherwise is renamed, a class too; who has gone is listed, and stays unless it is asked for', async () => {
  await take(sent());
  const next = sent();
  next.people = [student('u1', 'Ada Lundström', 'ada.l'), ...next.people.slice(1)];
  next.classes = [{ externalId: 'c1', name: '9 Beech', studentIds: ['u1'], teacherIds: ['t1'] }];
  const { classes: planned, people } = await plan(next);
  expect(people).toEqual({ added: 0, renamed: 1, same: 2 });
  expect(planned[0].gone).toMatchObject([{ displayName: 'Bo Ek' }]);
  await take(next);
  const id = school.db.select().from(classes).where(eq(classes.name, '9 Beech')).get()?.id ?? '';
  const membersOf = () => school.services.classes.read({ ...actor, id: byName('Mira Holm')?.id ?? '' }, id).students;
  expect(membersOf().map(({ displayName }) => displayName)).toEqual(['Ada Lundström', 'Bo Ek']);
  await take(next, true);
  expect(membersOf().map(({ displayName }) => displayName)).toEqual(['Ada Lundström']);
  // Nobody is deleted: whoever left the class is still of the school.
  expect(byName('Bo Ek')).toBeDefined();
});
const actor = { id: '', roles: ['teacher' as const], schoolId: 'quillhaven', displayName: '' };

test('who is at the school already is met by what they sign in with, and what was given reaches who is new', async () => {
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  await school.assignLesson(lessonOf([everyKind.poll]));
  school.services.roster.add('amber', 'imani');
  const body = {
    people: [student('x1', 'imani', 'imani'), teacher('x2', 'adaeze', 'adaeze@example.org')],
    classes: [{ externalId: 'c9', name: '9 Birch', studentIds: ['x1'], teacherIds: ['x2'] }],
  };
  expect((await plan(body)).people).toEqual({ added: 0, renamed: 0, same: 2 });
  await take(body);
  const { body: list } = await school.as('adaeze').ask('GET', '/api/classes');
  expect(list.map(({ name }: { name: string }) => name)).toEqual(['8 Amber', '9 Birch']);
  // A user name that is a teacher's elsewhere in the package's eyes is nobody's.
  const wrong = { people: [{ ...student('x9', 'Someone', 'imani'), isTeacher: true, email: '' }], classes: [] };
  expect((await plan(wrong)).people.added).toBe(1);
});

test('a teacher who came by a package claims their account by an invitation, and nobody else’s', async () => {
  const body = { ...sent(), people: [...sent().people, teacher('t2', 'Nor Vik', 'nor@q.example')] };
  await take(body);
  const invite = async () =>
    (await keeper().ask('POST', '/api/invitations', { displayName: 'Mira', email: 'mira@q.example', isAdmin: false }))
      .body.token;
  const accept = (token: string, email: string) =>
    school.visitor().ask('POST', '/api/invitations/acceptance', {
      ...{ token, displayName: 'Mira Holm', email, password: 'three planks' },
    });
  expect((await accept(await invite(), 'nor@q.example')).body.code).toBe('emailTaken');
  const { body: me } = await accept(await invite(), 'mira@q.example');
  expect(me.id).toBe(byName('Mira Holm')?.id);
  const signedIn = await school
    .visitor()
    .ask('POST', '/api/session', { name: 'mira@q.example', password: 'three planks' });
  expect(signedIn.status).toBe(200);
  // Once it has a password, an invitation does not open it a second time.
  expect((await accept(await invite(), 'mira@q.example')).body.code).toBe('emailTaken');
});

test('a student without a password cannot sign in with an empty one', async () => {
  await take(sent());
  for (const word of ['', ' ', 'null'])
    expect((await school.visitor().ask('POST', '/api/session', { name: 'ada.l', password: word })).status).not.toBe(
      200,
    );
});

test('of another school nothing is met or changed', async () => {
  await take(sent());
  school.addPerson('elsewhere-keeper', 'elsewhere', 'admin');
  const { body } = await school.as('elsewhere-keeper').ask('POST', '/api/school/one-roster/plan', sent());
  expect(body.people.added).toBe(3);
});

test('a thousand students in forty classes come in within seconds', async () => {
  const people = Array.from({ length: 1_000 }, (_, i) => student(`s${i}`, `Student Number ${i}`));
  const many = Array.from({ length: 40 }, (_, i) => ({
    ...{ externalId: `c${i}`, name: `Class ${i}`, teacherIds: [] },
    studentIds: people.filter((_, index) => index % 40 === i).map(({ externalId }) => externalId),
  }));
  const began = performance.now();
  expect((await take({ people, classes: many })).status).toBe(200);
  expect(performance.now() - began).toBeLessThan(20_000);
});

test('what goes out as a package comes in again as what is there already', async () => {
  await take(sent());
  const { cookie } = keeper();
  const answer = await fetch(`${school.base}/api/school/one-roster.zip`, { headers: { cookie } });
  expect(answer.headers.get('content-type')).toBe('application/zip');
  const unpacked = unzipSync(new Uint8Array(await answer.arrayBuffer()));
  const files = Object.fromEntries(
    Object.entries(unpacked).map(([name, bytes]) => [
      name.replace('.csv', ''),
      Papa.parse<Record<string, string>>(strFromU8(bytes), { header: true }).data,
    ]),
  );
  const read = readOneRoster(files);
  expect(read?.faults).toEqual([]);
  expect(read?.classes.find(({ name }) => name === '9 Birch')).toEqual(sent().classes[0]);
  const names = read?.people.map(({ displayName }) => displayName) ?? [];
  expect(names).toEqual(expect.arrayContaining(['Ada Lund', 'Bo Ek', 'Mira Holm']));
  const again = await plan({ people: read?.people, classes: read?.classes });
  expect([again.people.added, again.people.renamed]).toEqual([0, 0]);
  expect(
    again.classes.flatMap(({ coming, gone }: { coming: number; gone: object[] }) => [coming, gone.length]),
  ).toEqual(again.classes.flatMap(() => [0, 0]));
  const log = (await keeper().ask('POST', '/api/school/log', { kinds: ['rosterExported'] })).body;
  expect(JSON.stringify(log)).toContain('rosterExported');
});

import { afterEach, beforeEach, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { assignments, attempts, classes, users } from '../../db/schema.ts';
import { type School, startSchool } from '../../test/harness.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
  school.addPerson('runa', 'quillhaven', 'admin');
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
});
afterEach(() => school.stop());

const ask = (who: string, method: string, path: string, body?: object) => school.as(who).ask(method, path, body);
const remove = (who: string, name = '8 amber') => ask(who, 'POST', '/api/classes/amber/removal', { name });
const bringBack = (who: string) => ask(who, 'POST', '/api/classes/amber/return');
const day = 24 * 3_600_000;

test('a class is deleted by its name, by its teacher or the admin, and comes back as it was', async () => {
  await school.assignLesson(lessonOf([everyKind.poll]));
  expect((await remove('bruno')).status).toBe(404);
  expect((await remove('imani')).status).toBe(404);
  expect((await remove('adaeze', 'Amber')).body.code).toBe('nameNotSame');
  expect((await remove('adaeze')).status).toBe(204);
  const [listed] = (await ask('adaeze', 'GET', '/api/classes')).body;
  expect(listed).toMatchObject({ isArchived: true, removedAt: school.clock.now });
  expect((await ask('imani', 'GET', '/api/todo')).body.items).toEqual([]);
  expect((await bringBack('runa')).status).toBe(204);
  expect((await ask('adaeze', 'GET', '/api/classes')).body[0]).toMatchObject({ isArchived: false, removedAt: null });
  expect((await ask('imani', 'GET', '/api/todo')).body.items).toHaveLength(1);
  // One that was put away before stays so.
  await ask('adaeze', 'PATCH', '/api/classes/amber', { isArchived: true });
  school.clock.now += day;
  await remove('runa');
  await bringBack('adaeze');
  expect((await ask('adaeze', 'GET', '/api/classes')).body[0]).toMatchObject({ isArchived: true, removedAt: null });
});

test('after thirty days it goes, with what was done in it alone; what others have as well is theirs', async () => {
  const { assignmentId: own } = await school.assignLesson(lessonOf([everyKind.poll]));
  const both = await school.assignLesson(lessonOf([everyKind.poll]), undefined, {}, [{ kind: 'class', id: 'amber' }]);
  await ask('imani', 'PUT', `/api/assignments/${own}/walk`);
  await ask('imani', 'PUT', `/api/assignments/${both.assignmentId}/walk`);
  await ask('tomas', 'PUT', `/api/assignments/${both.assignmentId}/walk`);
  // Tomas has the second through the other class, too.
  const { db } = school;
  school.services.roster.add('bronze', 'tomas');
  db.$client
    .prepare(
      "insert into addressees (id, assignment_id, kind, class_id, created_at) values ('b', ?, 'class', 'bronze', 0)",
    )
    .run(both.assignmentId);
  db.$client.prepare("insert into addressee_windows (addressee_id, at) values ('b', 0)").run();
  db.$client
    .prepare("insert into recipients (assignment_id, addressee_id, student_id, since) values (?, 'b', 'tomas', 0)")
    .run(both.assignmentId);
  await remove('adaeze');
  school.clock.now += 30 * day;
  await school.services.clearAway();
  expect(db.select().from(classes).all()).toHaveLength(2);
  school.clock.now += 1;
  await school.services.clearAway();
  expect(
    db
      .select()
      .from(classes)
      .all()
      .map(({ id }) => id),
  ).toEqual(['bronze']);
  expect(
    db
      .select()
      .from(assignments)
      .all()
      .map(({ id }) => id),
  ).toEqual([both.assignmentId]);
  expect(
    db
      .select()
      .from(attempts)
      .all()
      .map(({ studentId }) => studentId),
  ).toEqual(['tomas']);
  expect(db.$client.pragma('foreign_key_check')).toEqual([]);
  expect(
    db
      .select()
      .from(users)
      .all()
      .some(({ id }) => id === 'imani'),
  ).toBe(true);
});

test('a school that keeps nothing for ever deletes what was put away long ago, and can still bring it back', async () => {
  await ask('runa', 'PATCH', '/api/school', { keptMonths: 6 });
  await ask('adaeze', 'PATCH', '/api/classes/amber', { isArchived: true });
  school.clock.now += 180 * day;
  await school.services.clearAway();
  expect((await ask('runa', 'GET', '/api/school')).body.classes[0].removedAt).toBe(null);
  school.clock.now += 6 * day;
  await school.services.clearAway();
  const [amber] = (await ask('runa', 'GET', '/api/school')).body.classes;
  expect(amber.removedAt).toBe(school.clock.now);
  expect((await bringBack('runa')).status).toBe(204);
  expect((await ask('runa', 'GET', '/api/school')).body).toMatchObject({ keptMonths: 6, space: { answers: 0 } });
});

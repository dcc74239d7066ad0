import type { LearnerEventBody } from '@semita/core/attempt';
import { eq } from 'drizzle-orm';
import { expect, test } from 'vitest';
import { everyKind } from '../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../packages/core/src/examples/kinds-lesson.ts';
import { assignments, attempts, series } from './db/schema.ts';
import { countStatements } from './test/count-statements.ts';
import { createSender, startSchool } from './test/harness.ts';

/** A school in which a class was given some lessons, and all have answered once. */
async function fillSchool(assignmentCount: number, studentCount: number) {
  const school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  const studentIds = Array.from({ length: studentCount }, (_, i) => `student-${i}`);
  school.addStudents(studentIds);
  const assignmentIds: string[] = [];
  for (let i = 0; i < assignmentCount; i++) {
    const lesson = lessonOf(Object.values(everyKind));
    const { assignmentId } = await school.assignLesson(lesson);
    assignmentIds.push(assignmentId);
    const stopId = lesson.parts[0]?.stops[0]?.id as string;
    for (const id of studentIds) {
      const { body } = await school.as(id).ask('PUT', `/api/assignments/${assignmentId}/walk`);
      const event = createSender(school.clock);
      const bodies: LearnerEventBody[] = [{ type: 'opened' }, { type: 'reachedStop', stopId }];
      await school.as(id).ask('POST', `/api/attempts/${body.attemptId}/events`, { events: bodies.map(event) });
    }
  }
  const row = { id: 'series', schoolId: 'quillhaven', createdBy: 'adaeze', title: 'All of them', createdAt: 0 };
  school.db.insert(series).values(row).run();
  for (const [seriesPlace, id] of assignmentIds.entries())
    school.db
      .update(assignments)
      .set({ seriesId: 'series', seriesPlace, afterPercent: 0 })
      .where(eq(assignments.id, id))
      .run();
  return { school, assignmentId: assignmentIds[0] as string };
}

/** Statements of every page that lists something, with no state in memory. */
async function countAll(assignmentCount: number, studentCount: number) {
  const { school, assignmentId } = await fillSchool(assignmentCount, studentCount);
  const teacher = school.as('adaeze');
  const student = school.as('student-0');
  const of = (page: string) => `/api/assignments/${assignmentId}/${page}`;
  const pages = [
    ...['/api/assignments', '/api/classes', '/api/classes/amber', '/api/lessons', '/api/materials', '/api/bank'],
    ...[
      of('sheet'),
      of('sheet.csv'),
      of('answers.csv'),
      of('stops'),
      of('watching'),
      of('marking'),
      of('path'),
      of('questions/q-written/answers'),
    ],
    ...[
      of('questions/q-discussion/thread'),
      '/api/series/series',
      '/api/history',
      '/api/classes/amber/students/student-0/lines',
      '/api/classes/amber/gradebook',
      '/api/classes/amber/mastery',
      '/api/classes/amber/students/student-0/mastery',
      '/api/classes/amber/reviews',
      '/api/classes/amber/students/student-0/review',
      of('look-back'),
      of('talk'),
      of('students/student-0/talk'),
    ],
  ].map((address) => [teacher, address] as const);
  await teacher.ask('PUT', '/api/classes/amber/reviews', {
    isOn: true,
    maxQuestions: 5,
    usesBank: true,
    counts: false,
  });
  const counts: [string, number][] = [];
  const ofStudent = ['/api/todo', '/api/feedback', '/api/reviews'].map((address) => [student, address] as const);
  for (const [who, address] of [...pages, ...ofStudent]) {
    const ask = async () => {
      for (const { id } of school.db.select().from(attempts).all()) school.services.states.forget(id);
      return await countStatements(school.db, async () => {
        expect([address, (await who.ask('GET', address)).status]).toEqual([address, 200]);
      });
    };
    await ask();
    counts.push([address.replace(assignmentId, ':id'), await ask()]);
  }
  await school.stop();
  return counts;
}

test('no page takes a statement more for more rows, and none takes more than ten', async () => {
  const few = await countAll(2, 3);
  expect(await countAll(5, 9)).toEqual(few);
  for (const [address, count] of few) expect([address, count, count <= 10]).toEqual([address, count, true]);
});

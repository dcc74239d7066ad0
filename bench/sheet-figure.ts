import { type ChoiceQuestion, defaultTerms, fromLearnerState, type Lesson } from '@semita/core';
import { eq } from 'drizzle-orm';
import { classStudents, users } from '../apps/server/src/db/schema.ts';
import { startSchool } from '../apps/server/src/test/harness.ts';
import { createRandom } from '../demo/src/seeded-random.ts';
import { simulateWalk } from '../demo/src/simulated-student.ts';
import { type Figure, medianRatio, timeOf } from './compare.ts';

const studentCount = 150;
const stopCount = 40;
const stretchMs = 30_000;
const minute = 60_000;

const question = (id: string): ChoiceQuestion => ({
  id,
  kind: 'choice',
  stem: 'Which force squeezes?',
  points: 100,
  several: false,
  options: [
    { id: `${id}-a`, text: 'Tension', right: false, feedback: '' },
    { id: `${id}-b`, text: 'Compression', right: true, feedback: '' },
  ],
  teacherNote: '',
});

const lesson: Lesson = {
  title: 'Forty stops',
  parts: [
    {
      id: 'clip',
      kind: 'clip',
      title: 'Film',
      materialId: 'film',
      inMs: 0,
      outMs: (stopCount + 1) * stretchMs,
      stops: Array.from({ length: stopCount }, (_, i) => ({
        id: `stop-${i}`,
        kind: 'checkpoint',
        atMs: (i + 1) * stretchMs,
        required: true,
        questions: [question(`question-${i}`)],
      })),
    },
  ],
};

/** The same rows that the sheet is built from, as SQLite alone gives them. */
const rowsSql = `
  select u.id, u.display_name, e.student_id is not null, a.sheet_row
  from assignments s
  join class_students c on c.class_id = s.class_id
  join users u on u.id = c.student_id
  left join attempts a on a.assignment_id = s.id and a.student_id = u.id
  left join excusals e on e.assignment_id = s.id and e.student_id = u.id
  where s.id = ? order by u.display_name`;

/** A class in which everybody is at another place, walked through the server's own code. */
async function fillClass() {
  const school = await startSchool();
  school.addMaterial('film', 45 * minute);
  const { assignmentId } = await school.assignLesson(lesson);
  school.db.delete(classStudents).where(eq(classStudents.classId, 'amber')).run();
  school.db.$client.pragma('synchronous = OFF');
  const random = createRandom(3);
  const begun = school.clock.now;
  for (let i = 0; i < studentCount; i++) {
    const actor = { id: `student-${i}`, role: 'student' as const, schoolId: 'quillhaven', displayName: `Student ${i}` };
    school.db
      .insert(users)
      .values({ ...actor, userName: actor.id, createdAt: 0 })
      .run();
    school.db.insert(classStudents).values({ classId: 'amber', studentId: actor.id }).run();
    school.clock.now = begun;
    const { attemptId, view } = await school.services.walks.begin(actor, assignmentId);
    const leavesAfterStops = random.chance(0.5) ? 99 : Math.floor(random.between(0, stopCount));
    const manner = { startAt: begun, skill: 0.7, rate: 1, rewatches: 0.2, leavesAfterStops, handsIn: true };
    for (const { receivedAt, events } of simulateWalk(
      { lesson, state: fromLearnerState(view.state), terms: defaultTerms },
      manner,
      random,
    )) {
      school.clock.now = receivedAt;
      await school.services.walks.takeInEvents(actor, attemptId, events);
    }
  }
  return { school, assignmentId };
}

export async function measureSheet(): Promise<Figure[]> {
  const { school, assignmentId } = await fillClass();
  const adaeze = { id: 'adaeze', role: 'teacher' as const, schoolId: 'quillhaven', displayName: 'adaeze' };
  const rows = school.db.$client.prepare(rowsSql);
  const sheet = school.services.assignments.readSheet(adaeze, assignmentId);
  if (
    sheet.students.length !== studentCount ||
    sheet.stops.length !== stopCount ||
    rows.all(assignmentId).length !== studentCount
  )
    throw new Error('The class of the benchmark is not the one it should be.');
  const ratio = await medianRatio(
    7,
    () => timeOf(() => school.services.assignments.readSheet(adaeze, assignmentId)),
    () => timeOf(() => rows.all(assignmentId)),
  );
  await school.stop();
  return [{ name: 'Sheet of 150 students × 40 stops ÷ SQLite reading its rows', ratio, goal: 4, better: 'lower' }];
}

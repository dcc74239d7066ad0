import { classStudents, lessons, recipients, userRoles, users } from '../apps/server/src/db/schema.ts';
import { Refused } from '../apps/server/src/http/refused.ts';
import { startSchool, toAmber } from '../apps/server/src/test/harness.ts';
import { type Figure, medianRatio, timeOf } from './compare.ts';
import { lessonOfStops } from './lesson-of-stops.ts';

const studentCount = 10_000;

/** A lesson given to far more students than a school has: every one of them becomes a recipient. */
export async function measureGiving(): Promise<Figure[]> {
  const school = await startSchool();
  const { db, services } = school;
  db.$client.pragma('synchronous = OFF');
  const ids = Array.from({ length: studentCount }, (_, i) => `student-${i}`);
  db.transaction(() => {
    for (const id of ids) {
      db.insert(users).values({ id, schoolId: 'quillhaven', displayName: id, userName: id, createdAt: 0 }).run();
      db.insert(userRoles).values({ userId: id, role: 'student' }).run();
      db.insert(classStudents).values({ classId: 'amber', studentId: id }).run();
    }
  });
  const lesson = lessonOfStops(20);
  school.addMaterial('film', lesson.parts[0]?.outMs ?? 0);
  await school.assignLesson(lesson);
  const { id: lessonId } = db.select({ id: lessons.id }).from(lessons).get() ?? { id: '' };
  const adaeze = { id: 'adaeze', roles: ['teacher'] as const, schoolId: 'quillhaven', displayName: 'adaeze' };
  const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
  const window = { opensAt: null, dueAt: null, closesAt: null };
  // Asked about first, as for a teacher who gives it a second time; then given all the same.
  const give = () => {
    const input = { lessonId, to: toAmber, terms, ...window };
    try {
      services.giving.assign(adaeze, input);
      throw new Error('It was not asked about.');
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
    }
    services.giving.assign(adaeze, { ...input, isAgain: true });
  };
  give();
  const given = db.select().from(recipients).all().length;
  if (given < 2 * studentCount) throw new Error('Not everybody was reached.');
  // The same rows into the same table with the same keys, and nothing else.
  const { $client } = db;
  const like = $client.prepare('select assignment_id, addressee_id from recipients limit 1').get() as Record<
    string,
    string
  >;
  const insert = $client.prepare(
    'insert into recipients (assignment_id, addressee_id, student_id, since) values (?, ?, ?, ?)',
  );
  let since = 1;
  const bare = () =>
    $client.transaction(() => {
      since++;
      for (const id of ids) insert.run(like.assignment_id, like.addressee_id, id, since);
    })();
  const ratio = await medianRatio(
    5,
    () => timeOf(give, 100),
    () => timeOf(bare, 100),
  );
  await school.stop();
  return [{ name: 'Giving a lesson to 10,000 students ÷ inserting their rows', ratio, goal: 1, better: 'lower' }];
}

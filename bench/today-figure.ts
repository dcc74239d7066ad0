import { attempts } from '../apps/server/src/db/schema.ts';
import { startSchool, toAmber } from '../apps/server/src/test/harness.ts';
import { everyKind } from '../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../packages/core/src/examples/kinds-lesson.ts';
import { type Figure, medianRatio, timeOf } from './compare.ts';

const assignmentCount = 100;
const studentCount = 200;

const outlineColumns =
  'a.progress, a.earned, a.possible, a.handed_in_at, a.to_mark, a.waiting_steps, a.returned, a.stuck_from';

/** The rows behind a teacher's day, as SQLite alone gives them. */
const todayRowsSql = `
  select r.assignment_id, r.student_id, r.addressee_id, r.since, r.until, a.id, a.number, a.edition_id, a.reducer,
    ${outlineColumns}
  from recipients r
  left join attempts a on a.assignment_id = r.assignment_id and a.student_id = r.student_id`;
const todoRowsSql = `
  select s.*, k.name, u.display_name, f.*, r.addressee_id, r.since, r.until, a.id, a.number, a.reducer, ${outlineColumns}
  from recipients r
  join assignments s on s.id = r.assignment_id
  join addressees d on d.id = r.addressee_id
  join classes k on k.id = d.class_id
  join users u on u.id = s.created_by
  left join edition_summaries f on f.edition_id = s.edition_id
  left join attempts a on a.assignment_id = s.id and a.student_id = r.student_id
  where r.student_id = ?`;

/** A teacher with a year of assignments: everybody has begun each of them. */
async function fillYear() {
  const school = await startSchool();
  const { db } = school;
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  school.services.roster.remove('amber', 'imani');
  school.services.roster.remove('amber', 'tomas');
  const studentIds = Array.from({ length: studentCount }, (_, i) => `student-${i}`);
  school.addStudents(studentIds);
  db.$client.pragma('synchronous = OFF');
  const { lessonId, assignmentId } = await school.assignLesson(lessonOf(Object.values(everyKind)));
  await school.as('student-0').ask('PUT', `/api/assignments/${assignmentId}/walk`);
  const begun = db.select().from(attempts).get();
  if (!begun) throw new Error('Nobody has begun.');
  const adaeze = { id: 'adaeze', roles: ['teacher'] as const, schoolId: 'quillhaven', displayName: 'adaeze' };
  const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
  const window = { opensAt: null, dueAt: null, closesAt: null };
  for (let i = 0; i < assignmentCount; i++) {
    const { id } = school.services.giving.assign(adaeze, {
      lessonId,
      to: toAmber,
      terms,
      isAgain: true,
      ...window,
    });
    for (const studentId of studentIds)
      db.insert(attempts)
        .values({ ...begun, id: `${id}-${studentId}`, assignmentId: id, studentId })
        .run();
  }
  return { school, adaeze };
}

export async function measureToday(): Promise<Figure[]> {
  const { school, adaeze } = await fillYear();
  const { assignments, walks } = school.services;
  const student = { id: 'student-7', roles: ['student'] as const, schoolId: 'quillhaven', displayName: '' };
  const todayRows = school.db.$client.prepare(todayRowsSql);
  const todoRows = school.db.$client.prepare(todoRowsSql);
  if (
    assignments.list(adaeze).length !== assignmentCount + 1 ||
    walks.listTodo(student).items.length <= assignmentCount
  )
    throw new Error('The year of the benchmark is not the one it should be.');
  const today = await medianRatio(
    7,
    () => timeOf(() => assignments.list(adaeze)),
    () => timeOf(() => todayRows.all()),
  );
  const todo = await medianRatio(
    7,
    () => timeOf(() => walks.listTodo(student)),
    () => timeOf(() => todoRows.all(student.id)),
  );
  await school.stop();
  const name = `${assignmentCount} assignments × ${studentCount} students`;
  return [
    { name: `Today, ${name} ÷ SQLite reading its rows`, ratio: today, goal: 4, better: 'lower' },
    { name: `To do of one student, ${name} ÷ SQLite reading its rows`, ratio: todo, goal: 4, better: 'lower' },
  ];
}

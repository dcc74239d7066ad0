import http from 'node:http';
import { eq } from 'drizzle-orm';
import { attempts, recipients } from '../apps/server/src/db/schema.ts';
import { startSchool } from '../apps/server/src/test/harness.ts';
import { type Figure, medianRatio, timeOf } from './compare.ts';
import { lessonOfStops } from './lesson-of-stops.ts';
import { walkAnswered } from './walk-answered.ts';

const studentCount = 300;
const stopCount = 200;
/** So many walk; the others are as far as one of them. */
const walkerCount = 10;

/** The same rows that the sheet is built from, as SQLite alone gives them. */
const rowsSql = `
  select u.id, u.display_name, r.addressee_id, r.since, r.until, a.sheet_row, a.id, a.number, a.edition_id, a.reducer,
    a.progress, a.earned, a.possible, a.handed_in_at, a.to_mark, a.waiting_steps, a.returned, a.stuck_from
  from recipients r
  join users u on u.id = r.student_id
  left join attempts a on a.assignment_id = r.assignment_id and a.student_id = u.id
  where r.assignment_id = ? order by u.display_name`;

/** A year group in which everybody is at another place. */
async function fillClass() {
  const school = await startSchool();
  const { db } = school;
  const lesson = lessonOfStops(stopCount);
  school.addMaterial('film', lesson.parts[0]?.outMs ?? 0);
  const { assignmentId } = await school.assignLesson(lesson, { skipping: true, rewindAtStops: true, maxRate: 2 });
  for (const id of ['imani', 'tomas']) school.services.roster.remove('amber', id);
  db.delete(recipients).run();
  db.$client.pragma('synchronous = OFF');
  for (let i = 0; i < studentCount; i++) {
    const id = `student-${i}`;
    school.addStudents([id]);
    if (i < walkerCount) {
      await walkAnswered(school, id, assignmentId, Math.round(((i + 1) / walkerCount) * stopCount) - 1);
      continue;
    }
    const like = db
      .select()
      .from(attempts)
      .where(eq(attempts.studentId, `student-${i % walkerCount}`))
      .get();
    if (!like) throw new Error('Nobody has walked.');
    db.insert(attempts)
      .values({ ...like, id: `attempt-${i}`, studentId: id })
      .run();
  }
  return { school, assignmentId };
}

/** A sheet as a browser asks for it; the bytes that come over the line. */
function askSheet(url: string, cookie: string): Promise<number> {
  return new Promise((resolve, reject) => {
    http
      .get(url, { headers: { cookie, 'accept-encoding': 'gzip, br' } }, (response) => {
        let bytes = 0;
        response.on('data', (chunk: Buffer) => {
          bytes += chunk.length;
        });
        response.on('end', () => (response.statusCode === 200 ? resolve(bytes) : reject(new Error('no sheet'))));
      })
      .on('error', reject);
  });
}

export async function measureSheet(): Promise<Figure[]> {
  const { school, assignmentId } = await fillClass();
  const adaeze = { id: 'adaeze', roles: ['teacher'] as const, schoolId: 'quillhaven', displayName: 'adaeze' };
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
  const { cookie } = school.as('adaeze');
  const bytes = await askSheet(`${school.base}/api/assignments/${assignmentId}/sheet`, cookie);
  const stored = sheet.students.reduce((sum, { row }) => sum + (row?.length ?? 0), 0);
  await school.stop();
  const name = `Sheet of ${studentCount} students × ${stopCount} stops`;
  return [
    { name: `${name} ÷ SQLite reading its rows`, ratio, goal: 4, better: 'lower' },
    { name: `${name}, bytes sent ÷ bytes of its rows`, ratio: bytes / stored, goal: 0.5, better: 'lower' },
  ];
}

import { attemptStates, attempts } from '../apps/server/src/db/schema.ts';
import { startSchool } from '../apps/server/src/test/harness.ts';
import { type Figure, medianRatio } from './compare.ts';
import { lessonOfStops } from './lesson-of-stops.ts';
import { walkAnswered } from './walk-answered.ts';

const studentCount = 200;
const stopCount = 40;

/** A year group that has answered all but the last stop of a lesson, with states as they are stored. */
async function fillClass() {
  const school = await startSchool();
  const { db, services } = school;
  const lesson = lessonOfStops(stopCount);
  school.addMaterial('film', lesson.parts[0]?.outMs ?? 0);
  const { assignmentId } = await school.assignLesson(lesson, { skipping: true, rewindAtStops: true, maxRate: 2 });
  db.$client.pragma('synchronous = OFF');
  const ids = Array.from({ length: studentCount }, (_, i) => `student-${i}`);
  school.addStudents(ids);
  const attemptId = await walkAnswered(school, ids[0] ?? '', assignmentId, stopCount - 1);
  services.states.computeAnew(attemptId);
  const like = db.select().from(attempts).get();
  const state = db.select().from(attemptStates).get()?.state;
  if (!like || !state) throw new Error('Nobody has walked.');
  for (const studentId of ids.slice(1)) {
    const id = `attempt of ${studentId}`;
    db.insert(attempts)
      .values({ ...like, id, studentId })
      .run();
    db.insert(attemptStates).values({ attemptId: id, state }).run();
  }
  return { school, assignmentId };
}

/** The answers of all to one question, as a browser asks for them, with no state in memory. */
export async function measureMarkingPage(): Promise<Figure[]> {
  const { school, assignmentId } = await fillClass();
  const { db, services } = school;
  const adaeze = school.as('adaeze');
  const attemptIds = db
    .select({ id: attempts.id })
    .from(attempts)
    .all()
    .map(({ id }) => id);
  const states = db.$client.prepare('select state from attempt_states').pluck();
  const answers = async () => {
    for (const id of attemptIds) services.states.forget(id);
    const startedAt = performance.now();
    const { body } = await adaeze.ask('GET', `/api/assignments/${assignmentId}/questions/question-0/answers`);
    if (body.answers.length !== studentCount) throw new Error('Not everybody has answered.');
    return performance.now() - startedAt;
  };
  const bare = () => {
    const startedAt = performance.now();
    for (const state of states.all()) JSON.parse(state as string);
    return performance.now() - startedAt;
  };
  const ratio = await medianRatio(15, answers, bare);
  await school.stop();
  const name = `Answers of ${studentCount} students to one question, over HTTP ÷ reading their states`;
  return [{ name, ratio, goal: 3, better: 'lower' }];
}

// A school of thirty students in a process of its own, for the load that event-figure.ts puts on it. Its lesson has as
// many stops as the first argument says; the last of them is where the students are.
import { v7 } from 'uuid';
import { startSchool } from '../apps/server/src/test/harness.ts';
import { lessonOfStops } from './lesson-of-stops.ts';
import { walkAnswered } from './walk-answered.ts';

const school = await startSchool({ eventRequestsPerMinute: Number.MAX_SAFE_INTEGER });
const stopCount = Number(process.argv[2]);
const lesson = lessonOfStops(stopCount);
school.addMaterial('film', lesson.parts[0]?.outMs ?? 0);
const { assignmentId } = await school.assignLesson(lesson, { skipping: true, rewindAtStops: true, maxRate: 2 });
const walkers: { path: string; cookie: string; sittingId: string }[] = [];
school.addStudents(Array.from({ length: 30 }, (_, i) => `student-${i}`));
// What has been done before is not measured.
school.db.$client.pragma('synchronous = OFF');
for (let i = 0; i < 30; i++) {
  const id = `student-${i}`;
  // They end now, each on their own.
  school.clock.now = Date.now() - stopCount * 20_000;
  const attemptId = await walkAnswered(school, id, assignmentId, stopCount - 1);
  walkers.push({ path: `/api/attempts/${attemptId}/events`, cookie: school.as(id).cookie, sittingId: v7() });
}
school.db.$client.pragma('synchronous = FULL');
Object.defineProperty(school.clock, 'now', { get: Date.now });
process.send?.({ port: Number(new URL(school.base).port), walkers });
process.on('disconnect', () => {
  void school.stop().then(() => process.exit());
});

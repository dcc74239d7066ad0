// A school of thirty students in a process of its own, for the load that event-figure.ts puts on it. Its lesson has as
// many stops as the first argument says; the last of them is where the students are.
import { v7 } from 'uuid';
import { createSender, startSchool } from '../apps/server/src/test/harness.ts';
import { answeredWalk, lessonOfStops } from './lesson-of-stops.ts';

const school = await startSchool({ eventRequestsPerMinute: Number.MAX_SAFE_INTEGER });
Object.defineProperty(school.clock, 'now', { get: Date.now });
const stopCount = Number(process.argv[2]);
const lesson = lessonOfStops(stopCount);
school.addMaterial('film', lesson.parts[0]?.outMs ?? 0);
const { assignmentId } = await school.assignLesson(lesson, { skipping: true, rewindAtStops: true, maxRate: 2 });
const walkers: { path: string; cookie: string; sittingId: string }[] = [];
for (let i = 0; i < 30; i++) {
  const id = `student-${i}`;
  const actor = { id, roles: ['student'] as const, schoolId: 'quillhaven', displayName: id };
  school.addStudents([id]);
  const { attemptId } = await school.services.walks.begin(actor, assignmentId);
  const event = createSender(school.clock);
  for (const batch of answeredWalk(stopCount))
    await school.services.walks.takeInEvents(actor, attemptId, batch.map(event));
  walkers.push({ path: `/api/attempts/${attemptId}/events`, cookie: school.as(id).cookie, sittingId: v7() });
}
process.send?.({ port: Number(new URL(school.base).port), walkers });
process.on('disconnect', () => {
  void school.stop().then(() => process.exit());
});

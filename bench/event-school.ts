// A school of thirty students in a process of its own, for the load that event-figure.ts puts on it.
import { v7 } from 'uuid';
import { classStudents, users } from '../apps/server/src/db/schema.ts';
import { startSchool } from '../apps/server/src/test/harness.ts';
import { bridgeLesson } from '../packages/core/src/test/bridge-lesson.ts';

const school = await startSchool({ eventRequestsPerMinute: Number.MAX_SAFE_INTEGER });
Object.defineProperty(school.clock, 'now', { get: Date.now });
school.addMaterial('film', 60_000);
const { assignmentId } = await school.assignLesson(bridgeLesson);
const walkers: { path: string; cookie: string; sittingId: string }[] = [];
for (let i = 0; i < 30; i++) {
  const id = `student-${i}`;
  const actor = { id, role: 'student' as const, schoolId: 'quillhaven', displayName: id };
  school.db
    .insert(users)
    .values({ ...actor, userName: id, createdAt: 0 })
    .run();
  school.db.insert(classStudents).values({ classId: 'amber', studentId: id }).run();
  const { attemptId } = await school.services.walks.begin(actor, assignmentId);
  walkers.push({ path: `/api/attempts/${attemptId}/events`, cookie: school.as(id).cookie, sittingId: v7() });
}
process.send?.({ port: Number(new URL(school.base).port), walkers });
process.on('disconnect', () => {
  void school.stop().then(() => process.exit());
});

import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import { expect, test } from 'vitest';
import { bridgeLesson } from '../../../packages/core/src/test/bridge-lesson.ts';
import { attemptEvents, classStudents, users } from './db/schema.ts';
import { rebuildStates } from './features/attempts/rebuild-states.ts';
import { openInstallation } from './installation.ts';
import { createServices } from './services.ts';
import { createSender, startSchool } from './test/harness.ts';

const serverFile = new URL('../dist/main.js', import.meta.url).pathname;
const studentCount = 30;

/** A school on disk with one assignment and thirty students, each with a session; then nobody holds it open. */
async function prepare() {
  const school = await startSchool();
  school.addMaterial('film', 60_000);
  const { assignmentId } = await school.assignLesson(bridgeLesson);
  const students = Array.from({ length: studentCount }, (_, i) => `student-${i}`);
  const row = { schoolId: 'quillhaven', role: 'student' as const, createdAt: 0 };
  school.db
    .insert(users)
    .values(students.map((id) => ({ ...row, id, displayName: id, userName: id })))
    .run();
  school.db
    .insert(classStudents)
    .values(students.map((studentId) => ({ classId: 'amber', studentId })))
    .run();
  school.clock.now = Date.now();
  const begin = async (id: string) => {
    const actor = { id, role: 'student' as const, schoolId: 'quillhaven', displayName: id };
    const { attemptId } = await school.services.walks.begin(actor, assignmentId);
    return { attemptId, cookie: school.as(id).cookie };
  };
  const walkers = await Promise.all(students.map(begin));
  const dataDir = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-kill-'));
  school.db.$client.pragma('wal_checkpoint(TRUNCATE)');
  fs.cpSync(school.deps.dataDir, dataDir, { recursive: true });
  await school.stop();
  return { dataDir, walkers };
}

async function startServer(dataDir: string, port: number): Promise<ChildProcess> {
  const child = spawn(process.execPath, [serverFile], {
    env: { ...process.env, SEMITA_DATA: dataDir, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(child.stdout as NodeJS.EventEmitter, 'data');
  return child;
}

test('kill -9 in the middle of thirty students loses no acknowledged event', { timeout: 60_000 }, async () => {
  const { dataDir, walkers } = await prepare();
  const port = 3300 + (process.pid % 500);
  const server = await startServer(dataDir, port);
  const acknowledged: { attemptId: string; ids: string[] }[] = [];
  let isUp = true;
  const walk = async ({ attemptId, cookie }: (typeof walkers)[0]) => {
    const event = createSender({ now: Date.now() });
    for (let i = 0; isUp && i < 2_000; i++) {
      const events = Array.from({ length: 5 }, () =>
        event({ type: 'sought', partId: 'clip', fromMs: 10_000, toMs: 10_000 }),
      );
      const answer = await fetch(`http://127.0.0.1:${port}/api/attempts/${attemptId}/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie },
        body: JSON.stringify({ events }),
      }).catch(() => null);
      if (!answer) return;
      const body = (await answer.json().catch(() => null)) as { outcomes?: { id: string }[] } | null;
      if (answer.status === 200 && body?.outcomes)
        acknowledged.push({ attemptId, ids: body.outcomes.map((one) => one.id) });
      else if (answer.status !== 429) return;
    }
  };
  const walking = walkers.map(walk);
  // Killed by what has happened, not by the clock: in full flight, with requests under way.
  while (acknowledged.length < 200) await new Promise((resolve) => setImmediate(resolve));
  server.kill('SIGKILL');
  isUp = false;
  await Promise.all([...walking, once(server, 'exit')]);

  const deps = openInstallation(dataDir);
  expect(deps.db.$client.pragma('integrity_check', { simple: true })).toBe('ok');
  const missing = acknowledged.flatMap(({ attemptId, ids }) => {
    const stored = new Set(
      deps.db
        .select({ id: attemptEvents.id })
        .from(attemptEvents)
        .where(eq(attemptEvents.attemptId, attemptId))
        .all()
        .map((one) => one.id),
    );
    return ids.filter((id) => !stored.has(id));
  });
  expect(acknowledged.length).toBeGreaterThanOrEqual(200);
  expect(missing).toEqual([]);
  // Log and state were written together.
  expect(rebuildStates(deps.db)).toEqual({ attempts: studentCount, changed: [] });
  expect(createServices(deps)).toBeDefined();
  deps.db.$client.close();
  fs.rmSync(dataDir, { recursive: true });
});

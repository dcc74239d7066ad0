import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs';
import { bridgeLesson } from '../../../../packages/core/src/test/bridge-lesson.ts';
import { startSchool } from './harness.ts';

const serverFile = new URL('../../dist/main.js', import.meta.url).pathname;

export interface Walker {
  readonly attemptId: string;
  readonly cookie: string;
}

/** Puts a school into a folder, with one assignment that so many students have begun; nobody holds it open then. */
export async function prepareSchool(dataDir: string, studentCount: number) {
  const school = await startSchool();
  school.addMaterial('film', 60_000);
  const { assignmentId } = await school.assignLesson(bridgeLesson);
  const students = Array.from({ length: studentCount }, (_, i) => `student-${i}`);
  school.addStudents(students);
  school.clock.now = Date.now();
  const begin = async (id: string): Promise<Walker> => {
    const actor = { id, roles: ['student'] as const, schoolId: 'quillhaven', displayName: id };
    const { attemptId } = await school.services.walks.begin(actor, assignmentId);
    return { attemptId, cookie: school.as(id).cookie };
  };
  const walkers = await Promise.all(students.map(begin));
  const teacher = school.as('adaeze').cookie;
  school.db.$client.pragma('wal_checkpoint(TRUNCATE)');
  fs.cpSync(school.deps.dataDir, dataDir, { recursive: true });
  await school.stop();
  return { walkers, teacher };
}

/** The built server in a process of its own, once it says that it is there; or with what it said instead. */
export async function startServer(dataDir: string, port: number) {
  const child: ChildProcess = spawn(process.execPath, [serverFile], {
    env: { ...process.env, SEMITA_DATA: dataDir, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  child.stderr?.on('data', (chunk) => {
    said += chunk;
  });
  const ended = once(child, 'exit');
  const listens = new Promise<boolean>((resolve) => {
    child.stdout?.on('data', (chunk) => {
      if (String(chunk).includes('Semita is at')) resolve(true);
    });
  });
  const isUp = await Promise.race([listens, ended.then(() => false)]);
  return { child, ended, isUp, said: () => said };
}

import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { type Lesson, untimedWindow } from '@semita/core/lesson';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../packages/core/src/examples/every-kind.ts';
import { backUp, readInterval, restore } from './backup.ts';
import { listFiles } from './db/named-files.ts';
import { createSender, readFixture, type School, startSchool } from './test/harness.ts';

let school: School;
let copy: string;
let target: string;
beforeEach(async () => {
  school = await startSchool();
  copy = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'semita-backup-')), 'copy');
  target = path.join(path.dirname(copy), 'restored');
});
afterEach(async () => {
  await school.stop();
  fs.rmSync(path.dirname(copy), { recursive: true, force: true });
});

const placeOf = (folder: string, sha256: string) => path.join(folder, 'media', sha256.slice(0, 2), sha256);

/** A task, so that nothing is shown but what is handed in. */
const lesson: Lesson = {
  title: 'A task',
  parts: [
    {
      ...{ id: 'task', kind: 'task', title: 'Task', ...untimedWindow },
      stops: [
        {
          id: 'stop',
          kind: 'checkpoint',
          atMs: 0,
          required: true,
          questions: [{ ...everyKind.upload, picture: undefined }],
        },
      ],
    },
  ],
};

/** A student who hands in a file, and a teacher who says something to it aloud. */
async function handIn() {
  const { assignmentId } = await school.assignLesson(lesson);
  const imani = school.as('imani');
  const { attemptId } = (await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body;
  const sent = await imani.ask('POST', `/api/attempts/${attemptId}/files/notes.txt`, Buffer.from('My own notes'));
  const event = createSender(school.clock);
  const responses = { 'q-upload': { kind: 'files' as const, files: [sent.body] } };
  const events = [
    event({ type: 'reachedStop', stopId: 'stop' }),
    event({ type: 'answered', stopId: 'stop', responses }),
  ];
  await imani.ask('POST', `/api/attempts/${attemptId}/events`, { events });
  const voice = await school
    .as('adaeze')
    .ask('POST', `/api/assignments/${assignmentId}/students/imani/voices/said.webm`, readFixture('timecode-60.webm'));
  if (voice.status !== 200) throw new Error(voice.text + JSON.stringify(sent.body));
  return { fileId: sent.body.fileId as string, voice: voice.body };
}

describe('a backup', () => {
  test('holds what students handed in and what teachers said, and restores to it', async () => {
    const { fileId, voice } = await handIn();
    expect(voice.fileId).toBeDefined();
    const { files, missing } = await backUp(school.deps.dataDir, copy);
    expect([files, missing]).toEqual([2, []]);
    expect(await restore(copy, target)).toEqual({ files: 2 });
    for (const sha256 of listFiles(school.db.$client)) expect(fs.existsSync(placeOf(target, sha256))).toBe(true);
    expect(fileId).not.toBe(voice.fileId);
  });

  test('is readable by its owner alone, and so is what is restored of it', async () => {
    await handIn();
    await backUp(school.deps.dataDir, copy);
    await restore(copy, target);
    const modes = (folder: string): number[] =>
      fs.readdirSync(folder, { recursive: true, withFileTypes: true }).map((entry) => {
        const mode = fs.statSync(path.join(entry.parentPath, entry.name)).mode & 0o077;
        return mode;
      });
    expect([...modes(copy), ...modes(target), fs.statSync(copy).mode & 0o077]).toEqual(expect.arrayContaining([0]));
    expect(new Set([...modes(copy), ...modes(target)])).toEqual(new Set([0]));
    expect(fs.statSync(school.deps.dataDir).mode & 0o077).toBe(0);
  });

  test('a file that is missing is told of, and the rest is there; one that was spoilt in the copy is copied again', async () => {
    await handIn();
    await backUp(school.deps.dataDir, copy);
    const [first = '', second = ''] = listFiles(school.db.$client);
    fs.writeFileSync(placeOf(copy, first), 'spoilt');
    fs.rmSync(placeOf(school.deps.dataDir, second));
    fs.rmSync(placeOf(copy, second));
    expect(await backUp(school.deps.dataDir, copy)).toEqual({ files: 1, missing: [second] });
    expect(fs.readFileSync(placeOf(copy, first))).toEqual(fs.readFileSync(placeOf(school.deps.dataDir, first)));
    await expect(restore(copy, target)).rejects.toThrow('missing');
    expect(fs.existsSync(target)).toBe(false);
  });

  test('ends while people work', async () => {
    const writes = setInterval(() => school.services.security.record('signedIn', 'imani'), 2);
    school.db.$client.exec('CREATE TABLE ballast (words TEXT)');
    const fill = school.db.$client.prepare('INSERT INTO ballast VALUES (?)');
    for (let i = 0; i < 2_000; i++) fill.run('x'.repeat(4_000));
    const begun = performance.now();
    await backUp(school.deps.dataDir, copy);
    clearInterval(writes);
    expect(performance.now() - begun).toBeLessThan(10_000);
    await restore(copy, target);
  });
});

test.each([
  ['30s', 30_000],
  ['1m', 60_000],
  ['2h', 7_200_000],
])('every %s', (text, ms) => expect(readInterval(text)).toBe(ms));

test.each(['', '1', 'm', '0m', '1d', '-1m'])('%j is no interval', (text) => {
  expect(() => readInterval(text)).toThrow('Say how often');
});

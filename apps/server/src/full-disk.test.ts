import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { eq } from 'drizzle-orm';
import { expect, test, vi } from 'vitest';
import { jobs, materials } from './db/schema.ts';
import { StartRefused } from './db/start-refused.ts';
import { databaseFileName, openInstallation } from './installation.ts';
import { startSchool } from './test/harness.ts';

vi.setConfig({ testTimeout: 60_000 });

const demoDocument = (name: string) => fs.readFileSync(new URL(`../../../demo/documents/${name}`, import.meta.url));

test('a full disk during an import stops nobody, is said in words, and is got over', async () => {
  const school = await startSchool();
  const { $client } = school.db;
  const begun = school.bringIn(demoDocument('notebook.docx'), 'Notebook.docx');
  // SQLite says of a database that may not grow what it says of a full disk.
  const pages = $client.pragma('page_count', { simple: true }) as number;
  await vi.waitFor(() => expect(school.db.select().from(jobs).all().length).toBe(1));
  $client.pragma(`max_page_count = ${pages}`);
  await begun.catch(() => undefined);
  expect(
    (
      await school
        .as('imani')
        .ask('GET', '/api/todo')
        .catch(() => ({ status: 0 }))
    ).status,
  ).not.toBe(0);
  $client.pragma('max_page_count = 1000000');
  school.services.jobs.resume();
  await school.services.jobs.settle();
  expect(school.db.select().from(materials).get()?.status).toMatch(/ready|refused/);
  expect((await school.as('imani').ask('GET', '/api/todo')).status).toBe(200);
  await school.stop();
});

test('what cannot be written is refused with its own code, and nothing is half there', async () => {
  const school = await startSchool();
  const { $client } = school.db;
  const adaeze = school.as('adaeze');
  $client.pragma(`max_page_count = ${$client.pragma('page_count', { simple: true })}`);
  const entries = Array.from({ length: 100 }, () => ({
    question: { id: 'q', kind: 'extendedText', stem: 'x'.repeat(10_000), points: 100, teacherNote: '' },
    tags: [],
  }));
  const refused = await adaeze.ask('POST', '/api/bank', { entries });
  expect([refused.status, refused.body]).toEqual([507, { code: 'diskFull' }]);
  $client.pragma('max_page_count = 1000000');
  expect((await adaeze.ask('GET', '/api/bank')).body).toEqual([]);
  await school.stop();
});

test('a newer database and a damaged one are refused in words, and not touched', () => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-start-'));
  openInstallation(folder).db.$client.close();
  const file = path.join(folder, databaseFileName);
  const sqlite = new Database(file);
  sqlite.prepare('INSERT INTO __drizzle_migrations (hash, created_at) VALUES (?, ?)').run('later', 9_999_999_999_999);
  sqlite.close();
  const before = fs.readFileSync(file);
  expect(() => openInstallation(folder)).toThrow(StartRefused);
  expect(() => openInstallation(folder)).toThrow('newer version');
  expect(fs.readFileSync(file).equals(before)).toBe(true);
  const later = new Database(file);
  later.exec("DELETE FROM __drizzle_migrations WHERE hash = 'later'");
  later.pragma('user_version = 1000');
  later.close();
  expect(() => openInstallation(folder)).toThrow('newer version');
  fs.writeFileSync(file, 'this is no database, and was never one '.repeat(200));
  expect(() => openInstallation(folder)).toThrow('damaged');
  fs.rmSync(folder, { recursive: true });
});

test('a job that fails is failed, whatever it threw, and the next is done', async () => {
  const school = await startSchool();
  const { id } = await school.bringIn(demoDocument('notebook.docx'), 'One.docx');
  school.db.update(materials).set({ status: 'checking', uploadId: 'gone' }).where(eq(materials.id, id)).run();
  school.db.update(jobs).set({ status: 'waiting' }).run();
  school.services.jobs.resume();
  await school.services.jobs.settle();
  expect(school.db.select().from(jobs).get()?.status).toBe('failed');
  expect(school.db.select().from(materials).get()).toMatchObject({ status: 'refused', refusal: 'damaged' });
  await school.stop();
});

import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { lessonSchema, questionSchema } from '@semita/core/contract';
import type { Lesson } from '@semita/core/lesson';
import Database from 'better-sqlite3';
import { pino } from 'pino';
import * as v from 'valibot';
import { describe, expect, test } from 'vitest';
import {
  addressees,
  assignments,
  attemptEvents,
  attemptStates,
  attempts,
  bankItems,
  classStudents,
  editions,
  lessons,
  lessonUses,
  materials,
  userRoles,
} from './db/schema.ts';
import { rebuildStates } from './features/attempts/rebuild-states.ts';
import { databaseFileName, openInstallation } from './installation.ts';
import { rebuildUses } from './projections/rebuild-uses.ts';
import { type Client, serveInstallation } from './test/harness.ts';
import { readUses } from './test/read-uses.ts';

// What the demo school of each landing stored, made by its own program: see scripts/keep-landing.mjs.
const folder = new URL('./test/landings/', import.meta.url);
const landings = fs.readdirSync(folder).filter((name) => name.endsWith('.db.gz'));

async function openLanding(name: string, spoil: (sqlite: Database.Database) => void = () => undefined) {
  const dataDir = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-landing-'));
  const file = path.join(dataDir, databaseFileName);
  fs.writeFileSync(file, gunzipSync(fs.readFileSync(new URL(name, folder))));
  const before = new Database(file);
  spoil(before);
  before.close();
  const deps = openInstallation(dataDir, { log: pino({ level: 'silent' }) });
  return await serveInstallation(deps);
}

async function expectAnswer(client: Client, address: string) {
  const answer = await client.ask('GET', address);
  expect([address, answer.status, answer.text.slice(0, 200)]).toEqual([address, 200, answer.text.slice(0, 200)]);
  return answer;
}

test('there is something of every landing', () => {
  expect(landings.length).toBeGreaterThanOrEqual(4);
});

describe.each(landings)('the school as %s stored it', (name) => {
  test('opens: every page of its teacher, every list and walk of its students', async () => {
    const school = await openLanding(name);
    const { db } = school;
    const [teacher] = db
      .select()
      .from(userRoles)
      .all()
      .filter(({ role }) => role === 'teacher');
    const adaeze = school.as(teacher?.userId as string);
    for (const address of [
      '/api/classes',
      '/api/groups',
      '/api/materials',
      '/api/lessons',
      '/api/assignments',
      '/api/bank',
    ])
      await expectAnswer(adaeze, address);
    for (const { id } of db.select().from(materials).all())
      for (const address of [`/api/materials/${id}`, `/api/materials/${id}/captions`])
        await expectAnswer(adaeze, address);
    for (const { id } of db.select().from(lessons).all()) await expectAnswer(adaeze, `/api/lessons/${id}`);
    const given = db.select().from(assignments).all();
    expect(given.length).toBeGreaterThan(0);
    for (const { classId } of db.selectDistinct({ classId: addressees.classId }).from(addressees).all())
      await expectAnswer(adaeze, `/api/classes/${classId}`);
    for (const { id } of given) {
      for (const page of ['sheet', 'sheet.csv', 'answers.csv', 'stops', 'watching', 'marking', 'path'])
        await expectAnswer(adaeze, `/api/assignments/${id}/${page}`);
    }
    for (const { assignmentId, studentId } of db.select().from(attempts).all())
      await expectAnswer(adaeze, `/api/assignments/${assignmentId}/students/${studentId}`);
    for (const { studentId } of db.selectDistinct({ studentId: classStudents.studentId }).from(classStudents).all()) {
      const student = school.as(studentId);
      for (const address of ['/api/todo', '/api/feedback']) await expectAnswer(student, address);
    }
    for (const { assignmentId, studentId } of db.select().from(attempts).all()) {
      const { status } = await school.as(studentId).ask('PUT', `/api/assignments/${assignmentId}/walk`);
      expect([studentId, status]).toEqual([studentId, 200]);
    }
    await school.stop();
  });

  test("holds documents that fit today's contract, and logs that come to the same state twice", async () => {
    const school = await openLanding(name);
    const { db } = school;
    const fits = (lesson: Lesson | null) => lesson === null || v.parse(lessonSchema, lesson);
    for (const { draft } of db.select().from(lessons).all()) fits(draft);
    for (const { content, source } of db.select().from(editions).all())
      for (const lesson of [content, source]) fits(lesson);
    for (const { question } of db.select().from(bankItems).all()) v.parse(questionSchema, question);
    expect(
      db
        .select()
        .from(attemptEvents)
        .all()
        .every(({ body }) => typeof body.type === 'string'),
    ).toBe(true);
    const handedIn = new Set(
      db
        .select()
        .from(attemptEvents)
        .all()
        .flatMap(({ attemptId, body }) => (body.type === 'handedIn' ? [attemptId] : [])),
    );
    expect(handedIn.size).toBeGreaterThan(0);
    const uses = () => [
      readUses(db),
      db
        .select()
        .from(lessonUses)
        .all()
        .map((row) => JSON.stringify(row))
        .toSorted(),
    ];
    const before = uses();
    rebuildUses(db);
    expect(uses()).toEqual(before);
    rebuildStates(db);
    for (const { attemptId, state } of db.select().from(attemptStates).all())
      expect([attemptId, state.handedInAt !== null]).toEqual([attemptId, handedIn.has(attemptId)]);
    expect(rebuildStates(db).changed).toEqual([]);
    await school.stop();
  });
});

test('a draft that cannot be read keeps nobody from starting, or from the others', async () => {
  const school = await openLanding('4-path.db.gz', (sqlite) =>
    sqlite.exec('UPDATE lessons SET draft = \'{"title": "half a dra\' WHERE rowid = (SELECT max(rowid) FROM lessons)'),
  );
  const adaeze = school.as('demo-adaeze');
  const { body } = await expectAnswer(adaeze, '/api/lessons');
  const titles = (body as { readonly title: string }[]).map(({ title }) => title);
  expect(titles.filter((title) => title === '')).toHaveLength(1);
  expect(titles.length).toBeGreaterThan(2);
  await expectAnswer(adaeze, '/api/materials');
  await school.stop();
});

import fs from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { classes, jobs, materials, schools, users } from '../../db/schema.ts';
import { countMissing } from '../../files-of-installation.ts';
import { openInstallation } from '../../installation.ts';
import {
  createSender,
  password,
  readFixture,
  type School,
  serveInstallation,
  startSchool,
} from '../../test/harness.ts';
import { rebuildStates } from '../attempts/rebuild-states.ts';
import { MoveRefused, moveSchool } from './move-school.ts';
import { straysBetweenSchools, tablesOfSchool } from './tables-of-school.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
});
afterEach(() => school.stop());

test('every table leads to a school by its keys', () => {
  const without = tablesOfSchool(school.db.$client).filter(({ schoolOf }) => schoolOf === null);
  expect(without.map(({ name }) => name)).toEqual([]);
});

test('nothing points out of a school, and what would is found', async () => {
  school.addMaterial('film', 60_000);
  await school.give('film');
  const { $client } = school.db;
  expect(straysBetweenSchools($client)).toEqual([]);
  $client.prepare("INSERT INTO class_students (class_id, student_id) VALUES ('amber', 'outsider')").run();
  expect(straysBetweenSchools($client)).toEqual([expect.objectContaining({ table: 'class_students', count: 1 })]);
  await expect(
    moveSchool(school.deps, school.deps, { schoolName: 'Quillhaven School', removes: true }),
  ).rejects.toThrow(MoveRefused);
});

describe('a school moves', () => {
  let dataDir: string;
  beforeEach(async () => {
    dataDir = await mkdtemp(path.join(os.tmpdir(), 'semita-other-'));
  });
  afterEach(() => rm(dataDir, { recursive: true, force: true }));
  const openOther = () => openInstallation(dataDir, { clock: () => school.clock.now, log: pino({ level: 'silent' }) });
  const open = { schoolName: 'Quillhaven School', removes: true };

  test('with its film, its walked lesson and its people; the others stay, and those who were there stay', async () => {
    const { id } = await school.bringIn(readFixture('timecode-60.webm'), 'timecode-60.webm');
    const { assignmentId } = await school.give(id);
    const { body } = await school.as('imani').ask('PUT', `/api/assignments/${assignmentId}/walk`);
    const event = createSender(school.clock);
    await school
      .as('imani')
      .ask('POST', `/api/attempts/${body.attemptId}/events`, { events: [event(wholeWalk[0] ?? { type: 'opened' })] });
    const sheet = async (client: ReturnType<School['as']>) =>
      (await client.ask('GET', `/api/assignments/${assignmentId}/sheet`)).body.students;
    const before = await sheet(school.as('adaeze'));
    const deps = openOther();
    // A school with people of the same names is there already.
    deps.db.insert(schools).values({ id: 'third', name: 'Third School' }).run();
    deps.db
      .insert(users)
      .values({ id: 'other', schoolId: 'third', displayName: 'I', userName: 'imani', createdAt: 0 })
      .run();
    deps.db.insert(classes).values({ id: 'theirs', schoolId: 'third', name: '8 Amber', timeZone: 'UTC' }).run();
    const moved = await moveSchool(school.deps, deps, open);
    expect(moved).toMatchObject({ missing: 0 });
    expect(moved.files).toBeGreaterThan(0);

    const other = await serveInstallation(deps);
    expect(await sheet(other.as('adaeze'))).toEqual(before);
    expect((await other.as('imani').ask('GET', `/api/materials/${id}/media`)).status).toBe(200);
    const signedIn = await other.visitor().ask('POST', '/api/session', { name: 'imani', password });
    expect(signedIn.body).toMatchObject({ id: 'imani', schoolName: 'Quillhaven School' });
    expect(countMissing(deps)).toBe(0);
    expect(rebuildStates(deps.db).changed).toEqual([]);
    expect(straysBetweenSchools(deps.db.$client)).toEqual([]);
    expect(deps.db.select().from(schools).all()).toHaveLength(2);
    await other.stop();

    expect(
      school.db
        .select()
        .from(schools)
        .all()
        .map(({ name }) => name),
    ).toEqual(['Elsewhere']);
    expect(
      school.db
        .select()
        .from(users)
        .all()
        .map(({ id: one }) => one)
        .toSorted(),
    ).toEqual(['outsider', 'stranger']);
    expect(school.db.$client.pragma('foreign_key_check')).toEqual([]);
    const left = fs.readdirSync(path.join(school.deps.dataDir, 'media'), { recursive: true, withFileTypes: true });
    expect(left.filter((one) => one.isFile())).toEqual([]);
  });

  test('only where there is one, where it is not yet, and when nothing is under way', async () => {
    const deps = openOther();
    const move = (schoolName: string) => moveSchool(school.deps, deps, { schoolName, removes: false });
    await expect(move('Nowhere')).rejects.toThrow('no school called');
    const { id } = await school.bringIn(readFixture('timecode-60.webm'), 'timecode-60.webm');
    school.db.update(jobs).set({ status: 'waiting' }).run();
    await expect(move('Quillhaven School')).rejects.toThrow('still being brought in');
    school.db.update(jobs).set({ status: 'done' }).run();
    const sha256 = school.db.select().from(materials).all()[0]?.sha256 ?? '';
    const file = path.join(school.deps.dataDir, 'media', sha256.slice(0, 2), sha256);
    const whole = fs.readFileSync(file);
    fs.writeFileSync(file, 'damaged');
    await expect(move('Quillhaven School')).rejects.toThrow('damaged');
    expect(deps.db.select().from(schools).all()).toEqual([]);
    fs.writeFileSync(file, whole);
    await move('Quillhaven School');
    expect((await school.as('adaeze').ask('GET', `/api/materials/${id}`)).status).toBe(200);
    await expect(move('Quillhaven School')).rejects.toThrow('already where it should go');
    deps.db.$client.close();
  });
});

import fs from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import type { LearnerEventBody, Terms } from '@semita/core/attempt';
import type { Role, SentEvent } from '@semita/core/contract';
import { type Lesson, wholePart } from '@semita/core/lesson';
import { eq } from 'drizzle-orm';
import type { Express } from 'express';
import { pino } from 'pino';
import { v7 } from 'uuid';
import { type AppOptions, createApp } from '../app.ts';
import { classes, classTeachers, lessons, materials, schools, userRoles, users } from '../db/schema.ts';
import type { Deps } from '../deps.ts';
import { hashPassword } from '../features/accounts/password.ts';
import { openInstallation } from '../installation.ts';
import { createServices, type Outside } from '../services.ts';

export const password = 'three planks and a rope';
const passwordHash = hashPassword(password);

/** What a test gives is for this class where it names nobody. */
export const toAmber = [{ kind: 'class', id: 'amber' }] as const;

export interface Answer {
  readonly status: number;
  readonly headers: Headers;
  readonly text: string;
  readonly bytes: Buffer;
  // biome-ignore lint/suspicious/noExplicitAny: tests look into answers of every shape
  readonly body: any;
}

/** A browser's share of a person: a cookie jar and a way to ask. */
export interface Client {
  ask(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Answer>;
  cookie: string;
}

/** The real app on what a folder holds, with browsers to ask it. */
export async function serveInstallation(
  deps: Deps,
  { fetchLimits, catalogueUrl, recordStoreUrl, ...options }: Partial<AppOptions> & Outside = {},
  setUp: (app: Express) => void = () => undefined,
) {
  const services = createServices(deps, { catalogueUrl, recordStoreUrl, ...(fetchLimits ? { fetchLimits } : {}) });
  const app = createApp({ deps, services, ...options });
  setUp(app);
  const server: Server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;

  const createClient = (cookie = ''): Client => ({
    cookie,
    async ask(method, askPath, sent, headers = {}) {
      const isRaw = Buffer.isBuffer(sent);
      const response = await fetch(base + askPath, {
        method,
        headers: {
          ...(this.cookie ? { cookie: this.cookie } : {}),
          ...(sent === undefined || isRaw ? {} : { 'content-type': 'application/json' }),
          ...headers,
        },
        ...(sent === undefined ? {} : { body: isRaw ? new Uint8Array(sent) : JSON.stringify(sent) }),
      });
      const set = response.headers.get('set-cookie');
      if (set) this.cookie = set.split(';')[0] ?? '';
      const bytes = Buffer.from(await response.arrayBuffer());
      const text = bytes.toString();
      const isJson = response.headers.get('content-type')?.includes('json');
      const body = isJson ? JSON.parse(text) : undefined;
      return { status: response.status, headers: response.headers, text, bytes, body };
    },
  });

  return {
    base,
    db: deps.db,
    deps,
    services,
    visitor: () => createClient(),
    /** Signed in without the cost of hashing a password. */
    as: (userId: string) => createClient(`semita_session=${services.sessions.startSession(userId).token}`),
    async stop() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await services.jobs.settle();
      deps.db.$client.close();
      await rm(deps.dataDir, { recursive: true });
    },
  };
}

/** The real app on a real SQLite file in a folder of its own, with two schools, and a clock that tests set. */
export async function startSchool(options: Partial<AppOptions> & Outside = {}, setUp?: (app: Express) => void) {
  const dataDir = await mkdtemp(path.join(os.tmpdir(), 'semita-test-'));
  const clock = { now: Date.UTC(2026, 10, 24, 9) };
  const deps = openInstallation(dataDir, { clock: () => clock.now, log: pino({ level: 'silent' }) });
  const served = await serveInstallation(deps, options, setUp);
  const { base, services } = served;

  const { db } = deps;
  const hash = await passwordHash;
  db.insert(schools)
    .values([
      { id: 'quillhaven', name: 'Quillhaven School' },
      { id: 'elsewhere', name: 'Elsewhere' },
    ])
    .run();
  const person = (id: string, schoolId: string, role: 'teacher' | 'student') => ({
    id,
    schoolId,
    displayName: id,
    email: role === 'teacher' ? `${id}@example.org` : null,
    userName: role === 'student' ? id : null,
    passwordHash: hash,
    createdAt: 0,
  });
  const addPerson = (id: string, schoolId: string, role: Role) => {
    db.insert(users)
      .values(person(id, schoolId, role === 'student' ? 'student' : 'teacher'))
      .run();
    db.insert(userRoles).values({ userId: id, role }).run();
  };
  for (const id of ['adaeze', 'bruno']) addPerson(id, 'quillhaven', 'teacher');
  addPerson('stranger', 'elsewhere', 'teacher');
  for (const id of ['imani', 'tomas', 'cobalt']) addPerson(id, 'quillhaven', 'student');
  addPerson('outsider', 'elsewhere', 'student');
  db.insert(classes)
    .values([
      { id: 'amber', schoolId: 'quillhaven', name: '8 Amber', timeZone: 'Europe/Stockholm' },
      { id: 'bronze', schoolId: 'quillhaven', name: '8 Cobalt', timeZone: 'Europe/Stockholm' },
    ])
    .run();
  db.insert(classTeachers)
    .values([
      { classId: 'amber', teacherId: 'adaeze' },
      { classId: 'bronze', teacherId: 'bruno' },
    ])
    .run();
  const { roster } = served.services;
  roster.add('amber', 'imani');
  roster.add('amber', 'tomas');
  roster.add('bronze', 'cobalt');

  return {
    ...served,
    clock,
    /** A ready film without a file, for tests that play nothing. */
    addMaterial(id: string, lengthMs: number, ownerId = 'adaeze', schoolId = 'quillhaven') {
      const facts = {
        title: id,
        fileName: `${id}.mp4`,
        byteLength: 1,
        kind: 'film' as const,
        status: 'ready' as const,
        refusal: null,
        sha256: id,
      };
      const video = { lengthMs, mimeType: 'video/mp4', width: 640, height: 360, uploadId: null, createdAt: clock.now };
      db.insert(materials)
        .values({ id, schoolId, ownerId, ...facts, ...video })
        .run();
    },
    addPerson,
    /** More students of 8 Amber, or of another class of the school. */
    addStudents(ids: readonly string[], classId = 'amber') {
      for (const id of ids) {
        addPerson(id, 'quillhaven', 'student');
        roster.add(classId, id);
      }
    },
    /** Sends a file whole, as a browser's first and only request of an upload (tus 1.0), and waits until it is looked into. */
    async bringIn(bytes: Buffer, name: string, replaces?: string) {
      const adaeze = this.as('adaeze');
      const encode = (value: string) => Buffer.from(value).toString('base64');
      const metadata = [`filename ${encode(name)}`, ...(replaces ? [`replaces ${encode(replaces)}`] : [])].join(',');
      const tus = { 'tus-resumable': '1.0.0' };
      const begun = await adaeze.ask('POST', '/api/files', undefined, {
        ...tus,
        'upload-length': String(bytes.length),
        'upload-metadata': metadata,
      });
      const place = new URL(begun.headers.get('location') ?? '', `${base}/api/files/`).pathname;
      const sent = await adaeze.ask('PATCH', place, bytes, {
        ...tus,
        'upload-offset': '0',
        'content-type': 'application/offset+octet-stream',
      });
      await services.jobs.settle();
      const id = sent.headers.get('x-material-id') ?? '';
      return { adaeze, id, material: (await adaeze.ask('GET', `/api/materials/${id}`)).body };
    },
    /** Puts a lesson on the shelf, makes its edition and gives it: to 8 Amber, where nobody else is named. */
    async assignLesson(
      lesson: Lesson,
      terms: Terms = { skipping: false, rewindAtStops: true, maxRate: 2 },
      window = {},
      to: readonly object[] = toAmber,
    ) {
      const lessonId = await this.makeLesson(lesson);
      const dates = { opensAt: null, dueAt: null, closesAt: null, ...window };
      const { body } = await this.as('adaeze').ask('POST', '/api/assignments', { lessonId, to, terms, ...dates });
      return { lessonId, assignmentId: body.id as string };
    },
    /** Begins a walk of a student; what it hands back takes in what is sent, a minute later each time. */
    async beginWalk(studentId: string, assignmentId: string) {
      const student = this.as(studentId);
      const { body } = await student.ask('PUT', `/api/assignments/${assignmentId}/walk`);
      const event = createSender(clock);
      return async (...bodies: LearnerEventBody[]): Promise<void> => {
        clock.now += 60_000;
        const sent = await student.ask('POST', `/api/attempts/${body.attemptId}/events`, { events: bodies.map(event) });
        if (sent.status !== 200) throw new Error(`Not taken in: ${sent.status} ${sent.text}`);
      };
    },
    /** A lesson of adaeze's with its first edition, given to nobody. */
    async makeLesson(lesson: Lesson): Promise<string> {
      const lessonId = v7();
      const row = { id: lessonId, schoolId: 'quillhaven', ownerId: 'adaeze', draft: lesson, version: 1 };
      db.insert(lessons)
        .values({ ...row, createdAt: clock.now, updatedAt: clock.now })
        .run();
      await this.as('adaeze').ask('POST', `/api/lessons/${lessonId}/editions`, { draftVersion: 1 });
      return lessonId;
    },
    /** Gives 8 Amber a lesson that shows the whole of a material. */
    async give(materialId: string, window = {}) {
      const row = db.select().from(materials).where(eq(materials.id, materialId)).get();
      if (!row?.kind || row.kind === 'picture' || row.lengthMs === null) throw new Error(`${materialId} is not ready`);
      const part = wholePart({ id: row.id, title: row.title, kind: row.kind, lengthMs: row.lengthMs }, 'part');
      return await this.assignLesson({ title: row.title, parts: [part] }, undefined, window);
    },
  };
}

export type School = Awaited<ReturnType<typeof startSchool>>;

/** Makes events as a browser does: numbered within one sitting. */
export function createSender(clock: { now: number }) {
  const sittingId = v7();
  let n = 0;
  return (body: LearnerEventBody): SentEvent => ({ ...body, id: v7(), sittingId, n: n++, at: clock.now });
}

export const readFixture = (name: string) => fs.readFileSync(new URL(`../../../../e2e/media/${name}`, import.meta.url));

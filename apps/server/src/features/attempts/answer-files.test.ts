import { readdirSync } from 'node:fs';
import path from 'node:path';
import type { Lesson } from '@semita/core/lesson';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { answerFiles } from '../../db/schema.ts';
import { type Client, type School, startSchool } from '../../test/harness.ts';

let school: School;
let assignmentId: string;
let attemptId: string;
let imani: Client;
let png: Buffer;

const lesson: Lesson = lessonOf([everyKind.upload]);

beforeAll(async () => {
  school = await startSchool();
  school.addMaterial('film', 60_000);
  school.addMaterial('picture', 0);
  ({ assignmentId } = await school.assignLesson(lesson));
  imani = school.as('imani');
  attemptId = (await imani.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body.attemptId;
  png = await sharp({ create: { width: 4, height: 4, channels: 3, background: '#5a2a54' } })
    .png()
    .toBuffer();
});
afterAll(() => school.stop());

const send = (client: Client, name: string, body: Buffer, attempt = attemptId) =>
  client.ask('POST', `/api/attempts/${attempt}/files/${encodeURIComponent(name)}`, body, {
    'content-type': 'application/octet-stream',
  });

test('a picture is taken, named by what it is, and shown to its student and the teacher of the class alone', async () => {
  const sent = await send(imani, 'sketch.png', png);
  expect([sent.status, sent.body.mimeType, sent.body.name]).toEqual([200, 'image/png', 'sketch.png']);
  const address = `/api/answer-files/${sent.body.fileId}`;
  for (const [who, status] of [
    ['imani', 200],
    ['adaeze', 200],
    ['tomas', 404],
    ['bruno', 404],
    ['stranger', 404],
  ] as const)
    expect((await school.as(who).ask('GET', address)).status, who).toBe(status);
  const shown = await imani.ask('GET', address);
  expect(shown.headers.get('content-security-policy')).toContain('sandbox');
  expect(school.db.select().from(answerFiles).all()).toHaveLength(1);
});

describe('what is not taken', () => {
  test.each([
    ['page.html', Buffer.from('<!doctype html><script>1</script>'), 'fileUnusable'],
    ['drawing.svg', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), 'fileUnusable'],
    ['sketch.png', Buffer.from('MZ\u0000\u0001\u0002 this is a program'), 'fileUnusable'],
    ['all.zip', Buffer.from('PK\u0003\u0004 and so on, and on'), 'fileUnusable'],
    ['empty.png', Buffer.alloc(0), 'fileEmpty'],
  ])('%s', async (name, body, code) => {
    const answer = await send(imani, name, body);
    expect([answer.status, answer.body.code]).toEqual([422, code]);
  });

  test('nothing is left behind, and nothing goes into the attempt of another', async () => {
    expect(readdirSync(path.join(school.deps.dataDir, 'incoming'))).toEqual([]);
    expect((await send(school.as('tomas'), 'sketch.png', png)).status).toBe(404);
  });

  test('a document is given out as a file and never as a page', async () => {
    const sent = await send(imani, 'notes.txt', Buffer.from('My notes'));
    const answer = await imani.ask('GET', `/api/answer-files/${sent.body.fileId}`);
    expect(answer.headers.get('content-disposition')).toMatch(/^attachment/);
  });
});

describe('handing in', () => {
  const events = (file: object, n: number) => ({
    events: [
      {
        ...{ id: crypto.randomUUID(), sittingId: '0190a5c0-0000-7000-8000-000000000001', n, at: school.clock.now },
        type: 'draftSaved',
        ...{ stopId: 'stop', questionId: 'q-upload', response: { kind: 'files', files: [file] } },
      },
    ],
  });
  const reach = {
    ...{ id: crypto.randomUUID(), sittingId: '0190a5c0-0000-7000-8000-000000000001', n: 0, at: 0 },
    ...{ type: 'reachedStop', stopId: 'stop' },
  };
  const take = (client: Client, body: object, attempt = attemptId) =>
    client.ask('POST', `/api/attempts/${attempt}/events`, body);

  test('only what the student gave in this attempt, described as it is', async () => {
    const { body: file } = await send(imani, 'sketch.png', png);
    expect((await take(imani, { events: [reach] })).body.outcomes[0].kind).toBe('taken');
    for (const wrong of [
      { ...file, fileId: 'made-up' },
      { ...file, mimeType: 'text/html' },
      { ...file, byteLength: 1 },
    ])
      expect((await take(imani, events(wrong, 1))).body.code).toBe('inputInvalid');
    const tomas = school.as('tomas');
    const other = (await tomas.ask('PUT', `/api/assignments/${assignmentId}/walk`)).body.attemptId;
    expect((await take(tomas, events(file, 0), other)).body.code).toBe('inputInvalid');
    expect((await take(imani, events(file, 1))).body.outcomes[0].kind).toBe('taken');
  });
});

import { createHash } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fingerprint } from '@semita/core/captions';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { backUp, restore } from '../../backup.ts';
import { jobs, materials } from '../../db/schema.ts';
import { openInstallation } from '../../installation.ts';
import { type Client, readFixture, type School, startSchool } from '../../test/harness.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
});
afterEach(() => school.stop());

const tus = { 'tus-resumable': '1.0.0' };
const film = () => readFixture('timecode-60.mp4');

async function create(client: Client, byteLength: number, name: string) {
  const metadata = `filename ${Buffer.from(name).toString('base64')}`;
  const answer = await client.ask('POST', '/api/files', undefined, {
    ...tus,
    'upload-length': String(byteLength),
    'upload-metadata': metadata,
  });
  return { answer, path: new URL(answer.headers.get('location') ?? '', `${school.base}/api/files/`).pathname };
}

const send = (client: Client, at: string, bytes: Buffer, offset = 0) =>
  client.ask('PATCH', at, bytes, {
    ...tus,
    'upload-offset': String(offset),
    'content-type': 'application/offset+octet-stream',
  });

/** A tone of some seconds as PCM in a WAV file (Multimedia Programming Interface and Data Specifications 1.0, 1991). */
function makeWav(seconds: number): Buffer {
  const rate = 8_000;
  const samples = Buffer.alloc(rate * seconds * 2);
  for (let i = 0; i < rate * seconds; i++) samples.writeInt16LE(Math.round(9_000 * Math.sin(i / 3)), i * 2);
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + samples.length, 4);
  head.write('WAVEfmt ', 8);
  for (const [value, at] of [
    [16, 16],
    [rate, 24],
    [rate * 2, 28],
    [samples.length, 40],
  ] as const)
    head.writeUInt32LE(value, at);
  for (const [value, at] of [
    [1, 20],
    [1, 22],
    [2, 32],
    [16, 34],
  ] as const)
    head.writeUInt16LE(value, at);
  head.write('data', 36);
  return Buffer.concat([head, samples]);
}

async function bringIn(bytes: Buffer, name = 'Film.mp4') {
  const adaeze = school.as('adaeze');
  const upload = await create(adaeze, bytes.length, name);
  const last = bytes.length > 0 ? await send(adaeze, upload.path, bytes) : upload.answer;
  await school.services.jobs.settle();
  const id = last.headers.get('x-material-id') ?? '';
  return { adaeze, id, material: (await adaeze.ask('GET', '/api/materials')).body[0] };
}

describe('bringing in a film', () => {
  test.each([
    ['timecode-60.mp4', 'video/mp4'],
    ['timecode-60.webm', 'video/webm'],
  ])('%s: length and picture are read from the file itself', async (name, mimeType) => {
    const { material } = await bringIn(readFixture(name), 'My_Film.mov');
    expect(material).toMatchObject({ status: 'ready', title: 'My Film', mimeType, refusal: null });
    // The clip was made to last one minute: 1,500 frames at 25 a second.
    expect(Math.abs(material.lengthMs - 60_000)).toBeLessThan(100);
  });

  test('in pieces, with a break and a second device that cannot take it over', async () => {
    const adaeze = school.as('adaeze');
    const bytes = film();
    const { path: at } = await create(adaeze, bytes.length, 'Film.mp4');
    await send(adaeze, at, bytes.subarray(0, 100_000));
    expect((await adaeze.ask('HEAD', at, undefined, tus)).headers.get('upload-offset')).toBe('100000');
    const bruno = school.as('bruno');
    expect((await bruno.ask('HEAD', at, undefined, tus)).status).toBe(404);
    expect((await send(bruno, at, bytes.subarray(100_000), 100_000)).status).toBe(404);
    const override = { ...tus, 'x-http-method-override': 'DELETE' };
    expect((await bruno.ask('POST', at, undefined, override)).status).toBeGreaterThanOrEqual(400);
    const last = await send(adaeze, at, bytes.subarray(100_000), 100_000);
    await school.services.jobs.settle();
    const stored = school.db.select().from(materials).get();
    expect(stored).toMatchObject({ id: last.headers.get('x-material-id'), status: 'ready' });
    expect(stored?.sha256).toBe(createHash('sha256').update(bytes).digest('hex'));
  });

  test('an upload whose last answer was lost is known to be done, to its teacher alone', async () => {
    const adaeze = school.as('adaeze');
    const bytes = film();
    const { path: at } = await create(adaeze, bytes.length, 'Film.mp4');
    const last = await send(adaeze, at, bytes);
    await school.services.jobs.settle();
    const asked = await adaeze.ask('HEAD', at, undefined, tus);
    expect([asked.status, asked.headers.get('upload-offset')]).toEqual([200, String(bytes.length)]);
    expect(asked.headers.get('x-material-id')).toBe(last.headers.get('x-material-id'));
    expect((await school.as('bruno').ask('HEAD', at, undefined, tus)).status).toBe(404);
  });

  test.each<[string, () => Buffer, string]>([
    ['a text file', () => Buffer.from('Dear diary, this is no film.\n'.repeat(50)), 'notMedia'],
    ['an MP4 cut in half', () => film().subarray(0, film().length / 2), 'incomplete'],
    ['a WebM cut to its head', () => readFixture('timecode-60.webm').subarray(0, 200), 'incomplete'],
    ['a WebM cut in half', () => readFixture('timecode-60.webm').subarray(0, 300_000), 'incomplete'],
    ['nothing', () => Buffer.alloc(0), 'fileEmpty'],
  ])('%s named .mp4 is refused with a reason, and nothing is left behind', async (_, bytes, refusal) => {
    const { material } = await bringIn(bytes());
    expect(material).toMatchObject({ status: 'refused', refusal, lengthMs: null });
    expect(fs.readdirSync(path.join(school.deps.dataDir, 'uploads'))).toEqual([]);
    expect(fs.readdirSync(path.join(school.deps.dataDir, 'media'))).toEqual([]);
  });

  test('a sound is a clip without a picture', async () => {
    const { adaeze, id, material } = await bringIn(makeWav(3), 'Reading aloud.wav');
    expect(material).toMatchObject({
      kind: 'sound',
      status: 'ready',
      lengthMs: 3_000,
      mimeType: 'audio/wav',
      width: null,
    });
    expect((await adaeze.ask('GET', `/api/materials/${id}/media`)).headers.get('content-type')).toBe('audio/wav');
    const { body } = await adaeze.ask('POST', '/api/lessons', { materialId: id });
    const draft = (await adaeze.ask('GET', `/api/lessons/${body.id}`)).body;
    expect(draft.lesson.parts).toMatchObject([{ kind: 'clip', outMs: 3_000 }]);
  });

  test('more than two gigabytes are refused before they are sent', async () => {
    expect((await create(school.as('adaeze'), 2 * 1024 ** 3 + 1, 'Film.mp4')).answer.status).toBe(413);
  });

  test('bringing in that was cut short by a stop is taken up again', async () => {
    const { id } = await bringIn(film());
    const stored = school.db.select().from(materials).get();
    fs.copyFileSync(
      school.services.materials.findFile({ schoolId: 'quillhaven', roles: ['teacher'] } as never, id).path,
      path.join(school.deps.dataDir, 'uploads', 'left'),
    );
    school.db.update(materials).set({ status: 'checking', uploadId: 'left', sha256: null, lengthMs: null }).run();
    school.db.update(jobs).set({ status: 'running' }).run();
    school.services.jobs.resume();
    await school.services.jobs.settle();
    expect(school.db.select().from(materials).get()).toEqual({ ...stored, uploadId: 'left' });
  });
});

test('captions are corrected on top of those that were seen, and not on others', async () => {
  school.addMaterial('film', 60_000);
  const adaeze = school.as('adaeze');
  const place = '/api/materials/film/captions';
  const cues = [{ startMs: 0, endMs: 900, text: 'One' }];
  const first = await adaeze.ask('POST', place, { before: fingerprint([]), cues });
  expect([first.status, first.body]).toEqual([200, { cueCount: 1 }]);
  const late = await adaeze.ask('POST', place, { before: fingerprint([]), cues: [] });
  expect([late.status, late.body.code]).toEqual([409, 'draftMoved']);
  const backwards = { before: fingerprint(cues), cues: [{ startMs: 900, endMs: 900, text: 'One' }] };
  expect((await adaeze.ask('POST', place, backwards)).status).toBe(422);
  expect((await school.as('bruno').ask('POST', place, { before: fingerprint(cues), cues: [] })).status).toBe(404);
  expect((await adaeze.ask('GET', place)).body).toEqual(cues);
  expect((await adaeze.ask('GET', `${place}.srt`)).text).toBe('1\n00:00:00,000 --> 00:00:00,900\nOne\n');
});

describe('streaming', () => {
  test('ranges for those to whom it was given, nothing for others', async () => {
    const { id } = await bringIn(film());
    const at = `/api/materials/${id}/media`;
    expect((await school.as('imani').ask('GET', at)).status).toBe(404);
    await school.give(id);
    const part = await school.as('imani').ask('GET', at, undefined, { range: 'bytes=100-199' });
    expect([part.status, part.headers.get('content-range')]).toEqual([206, `bytes 100-199/${film().length}`]);
    expect(part.headers.get('content-type')).toBe('video/mp4');
    expect(part.headers.get('x-content-type-options')).toBe('nosniff');
    const beyond = await school.as('imani').ask('GET', at, undefined, { range: 'bytes=99999999-' });
    expect([beyond.status, beyond.text.includes('<')]).toEqual([416, false]);
    for (const stranger of ['outsider', 'stranger', 'cobalt'])
      expect((await school.as(stranger).ask('GET', at)).status).toBe(404);
    expect((await school.visitor().ask('GET', at)).status).toBe(401);
  });
});

describe('captions over HTTP', () => {
  const vtt = 'WEBVTT\n\n00:01.000 --> 00:02.000\ngood\n\n00:09.000 --> 00:05.000\nbackwards\n';

  test('the good ones are kept, faults told by line; a file without any leaves what was there', async () => {
    school.addMaterial('film', 60_000);
    const adaeze = school.as('adaeze');
    const at = '/api/materials/film/captions';
    const taken = await adaeze.ask('PUT', at, Buffer.from(`\ufeff${vtt}`, 'utf16le'));
    expect(taken.body).toEqual({ cueCount: 1, faults: [{ line: 6, code: 'endBeforeStart', kept: false }] });
    const refused = await adaeze.ask('PUT', at, Buffer.from('no captions'));
    expect([refused.status, refused.body.code]).toEqual([422, 'captionsUnreadable']);
    expect((await school.as('imani').ask('GET', at)).status).toBe(404);
    await school.give('film');
    expect((await school.as('imani').ask('GET', at)).body).toEqual([{ startMs: 1000, endMs: 2000, text: 'good' }]);
    expect((await adaeze.ask('GET', `${at}.vtt`)).text).toContain('00:00:01.000 --> 00:00:02.000\ngood');
    expect((await school.as('bruno').ask('PUT', at, Buffer.from(vtt))).status).toBe(404);
  });
});

test('a material in use stays; an unused one is taken off, can be brought back, and goes with its file after a month', async () => {
  const { adaeze, id } = await bringIn(film());
  const lesson = await adaeze.ask('POST', '/api/lessons', { materialId: id });
  const refused = await adaeze.ask('DELETE', `/api/materials/${id}`);
  expect(refused.body).toEqual({ code: 'changeImpossible', detail: { usedIn: ['Film'] } });
  const draft = (await adaeze.ask('GET', `/api/lessons/${lesson.body.id}`)).body;
  await adaeze.ask('POST', `/api/lessons/${lesson.body.id}/changes`, {
    baseVersion: 1,
    changes: [{ type: 'removePart', partId: draft.lesson.parts[0].id }],
  });
  const remove = async () => (await adaeze.ask('DELETE', `/api/materials/${id}`)).status;
  const back = async (who: string) => (await school.as(who).ask('POST', `/api/materials/${id}/bringing-back`)).status;
  expect([await remove(), await remove()]).toEqual([204, 404]);
  expect((await adaeze.ask('GET', '/api/materials')).body).toEqual([]);
  expect([await back('bruno'), await back('adaeze'), await back('adaeze')]).toEqual([404, 204, 404]);
  expect((await adaeze.ask('GET', '/api/materials')).body).toHaveLength(1);
  expect((await adaeze.ask('GET', `/api/materials/${id}/media`)).status).toBe(200);
  await remove();
  const before = school.clock.now;
  school.clock.now += 31 * 24 * 3_600_000;
  await school.services.materials.clearAway();
  school.clock.now = before;
  expect(
    fs
      .readdirSync(path.join(school.deps.dataDir, 'media'), { recursive: true })
      .filter((name) => String(name).length > 10),
  ).toEqual([]);
});

test('a backup made while running is restored whole; a damaged one is refused and changes nothing', async () => {
  const { id } = await bringIn(film());
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-backup-'));
  const [copy, target] = [path.join(folder, 'copy'), path.join(folder, 'target')];
  expect(await backUp(school.deps.dataDir, copy)).toEqual({ files: 1, missing: [] });
  await restore(copy, target);
  const there = openInstallation(target, { log: school.deps.log });
  expect(there.db.select().from(materials).all()).toEqual(school.db.select().from(materials).all());
  there.db.$client.close();
  await expect(restore(copy, target)).rejects.toThrow('already holds an installation');
  const sha256 = school.db.select().from(materials).get()?.sha256 as string;
  fs.appendFileSync(path.join(copy, 'media', sha256.slice(0, 2), sha256), 'x');
  await expect(restore(copy, path.join(folder, 'other'))).rejects.toThrow('damaged');
  expect(id).not.toBe('');
  fs.rmSync(folder, { recursive: true });
});

import fs from 'node:fs';
import http from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, expect, test } from 'vitest';
// @ts-expect-error a script of the build, in plain JavaScript
import { compressFiles } from '../../../../scripts/compress.mjs';
import { type School, startSchool } from '../test/harness.ts';

const webDir = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-web-'));
const page = `export const words = ${JSON.stringify('The deck carries the load. '.repeat(200))};`;
let school: School;
beforeAll(async () => {
  fs.mkdirSync(path.join(webDir, 'assets'));
  fs.writeFileSync(path.join(webDir, 'assets/page-1a2b.js'), page);
  fs.writeFileSync(path.join(webDir, 'assets/small-1a2b.js'), 'export {};');
  fs.writeFileSync(path.join(webDir, 'index.html'), '<!doctype html><title>Semita</title>');
  compressFiles(webDir);
  school = await startSchool({ webDir });
  for (let i = 0; i < 60; i++) school.addMaterial(`film-${i}`, 60_000);
});
afterAll(async () => {
  await school.stop();
  fs.rmSync(webDir, { recursive: true });
});

interface Raw {
  readonly status: number | undefined;
  readonly headers: http.IncomingHttpHeaders;
  readonly bytes: Buffer;
}

/** As it is on the wire: what asks for pages usually unpacks them by itself. */
const ask = (address: string, accepts: string, cookie = ''): Promise<Raw> =>
  new Promise((resolve, reject) => {
    const headers = { 'accept-encoding': accepts, cookie };
    http
      .get(school.base + address, { headers }, (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () =>
          resolve({ status: response.statusCode, headers: response.headers, bytes: Buffer.concat(chunks) }),
        );
      })
      .on('error', reject);
  });

test('pages come as they were compressed at the build, for ever, and whole for whoever takes nothing else', async () => {
  const place = '/assets/page-1a2b.js';
  const [br, gz, plain, refusing] = [
    await ask(place, 'gzip, deflate, br'),
    await ask(place, 'gzip'),
    await ask(place, 'identity'),
    await ask(place, 'br;q=0, gzip'),
  ];
  expect([br.headers['content-encoding'], gz.headers['content-encoding']]).toEqual(['br', 'gzip']);
  expect(brotliDecompressSync(br.bytes).toString()).toBe(page);
  expect(gunzipSync(gz.bytes).toString()).toBe(page);
  expect(plain.bytes.toString()).toBe(page);
  expect(refusing.headers['content-encoding']).toBe('gzip');
  for (const { headers } of [br, gz, plain]) {
    expect(headers['content-type']).toMatch(/^text\/javascript/);
    expect(headers['cache-control']).toBe('public, max-age=31536000, immutable');
    expect(headers.vary).toContain('Accept-Encoding');
  }
  expect((await ask('/assets/small-1a2b.js', 'br')).bytes.toString()).toBe('export {};');
  expect((await ask('/assets/missing.js', 'br')).status).toBe(404);
  expect((await ask('/anywhere', 'br')).headers['cache-control']).toBe('no-cache');
});

test('long answers are compressed, and still nobody may keep them', async () => {
  const { cookie } = school.as('adaeze');
  const { headers, bytes } = await ask('/api/materials', 'gzip, br', cookie);
  expect([headers['content-encoding'], headers['cache-control']]).toEqual(['br', 'no-store']);
  const whole = brotliDecompressSync(bytes);
  expect(JSON.parse(whole.toString())).toHaveLength(60);
  expect(whole.length / bytes.length).toBeGreaterThan(10);
  expect((await ask('/api/classes', 'gzip, br', cookie)).headers['content-encoding']).toBeUndefined();
});

test('a stream of events comes at once, and as it is', async () => {
  const { assignmentId } = await school.give('film-0');
  const { cookie } = school.as('adaeze');
  const headers = { 'accept-encoding': 'gzip, br', accept: 'text/event-stream', cookie };
  let walk: Promise<unknown> | undefined;
  const first = await new Promise<string>((resolve, reject) => {
    const request = http.get(`${school.base}/api/live?on=sheet:${assignmentId}`, { headers }, (response) => {
      expect(response.headers['content-encoding']).toBeUndefined();
      response.once('data', (chunk: Buffer) => {
        resolve(chunk.toString());
        request.destroy();
      });
      walk = school.as('imani').ask('PUT', `/api/assignments/${assignmentId}/walk`);
    });
    request.on('error', (error) => (request.destroyed ? undefined : reject(error)));
  });
  expect(first.length).toBeGreaterThan(0);
  await walk;
});

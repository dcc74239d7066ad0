import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { type School, startSchool } from '../test/harness.ts';
import { nginxConfig } from '../test/nginx-config.ts';
import { proxyPlaceSetting } from './send-file.ts';

// Debian's nginx, with the configuration that the documentation gives. `npm test` installs it.
const nginx = spawnSync('which', ['nginx'], { encoding: 'utf8' }).stdout.trim();
const film = Buffer.alloc(2_500_000, 'The deck carries the load to its ends. ');
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-nginx-'));
let school: School;
let proxy: ChildProcess;
let port: number;

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port: free } = server.address() as net.AddressInfo;
      server.close(() => resolve(free));
    });
  });

beforeAll(async () => {
  if (!nginx) return;
  school = await startSchool({}, (app) => app.set(proxyPlaceSetting, '/semita-media/'));
  school.addMaterial('ab12', 60_000);
  fs.mkdirSync(path.join(school.deps.dataDir, 'media/ab'), { recursive: true });
  fs.writeFileSync(path.join(school.deps.dataDir, 'media/ab/ab12'), film);
  port = await freePort();
  const file = path.join(folder, 'nginx.conf');
  const media = path.join(school.deps.dataDir, 'media/');
  fs.writeFileSync(file, nginxConfig({ folder, port, media, upstream: new URL(school.base).host }));
  proxy = spawn(nginx, ['-c', file, '-p', folder], { stdio: 'ignore' });
  for (let tries = 0; tries < 100; tries++) {
    if (await fetch(`http://127.0.0.1:${port}/api/session`).catch(() => null)) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(fs.readFileSync(`${folder}/log`, 'utf8'));
});
afterAll(async () => {
  if (!nginx) return;
  proxy.kill('SIGQUIT');
  await school.stop();
  fs.rmSync(folder, { recursive: true });
});

async function ask(base: string, who: string | null, headers: Record<string, string> = {}) {
  const cookie = who === null ? '' : school.as(who).cookie;
  const response = await fetch(`${base}/api/materials/ab12/media`, { headers: { cookie, ...headers } });
  return { status: response.status, headers: response.headers, bytes: Buffer.from(await response.arrayBuffer()) };
}
const through = (who: string | null, headers?: Record<string, string>) => ask(`http://127.0.0.1:${port}`, who, headers);

test.skipIf(!nginx)('the proxy sends what Semita allows, with all that Semita says of it', async () => {
  const whole = await through('adaeze');
  expect([whole.status, whole.bytes.equals(film)]).toEqual([200, true]);
  const direct = await ask(school.base, 'adaeze');
  for (const name of [
    ...['etag', 'content-type', 'cache-control', 'content-disposition', 'content-security-policy'],
    ...['x-content-type-options', 'cross-origin-resource-policy', 'permissions-policy', 'referrer-policy'],
  ])
    expect([name, whole.headers.get(name)]).toEqual([name, direct.headers.get(name)]);
  expect(whole.headers.get('x-accel-redirect')).toBeNull();
  expect(whole.headers.get('server')).toContain('nginx');
});

test.skipIf(!nginx)('ranges, what is known already, and what is not allowed', async () => {
  const part = await through('adaeze', { range: 'bytes=100-199' });
  expect([part.status, part.headers.get('content-range')]).toEqual([206, `bytes 100-199/${film.length}`]);
  expect(part.bytes.equals(film.subarray(100, 200))).toBe(true);
  expect((await through('adaeze', { range: 'bytes=0-9', 'if-range': '"ab12"' })).status).toBe(206);
  expect((await through('adaeze', { range: 'bytes=0-9', 'if-range': '"older"' })).status).toBe(200);
  expect((await through('adaeze', { 'if-none-match': '"ab12"', 'cache-control': 'max-age=0' })).status).toBe(304);
  for (const [who, status] of [
    ['imani', 404],
    ['stranger', 404],
    [null, 401],
  ] as const)
    expect([who, (await through(who)).status]).toEqual([who, status]);
  // The place itself is no address.
  expect((await fetch(`http://127.0.0.1:${port}/semita-media/ab/ab12`)).status).toBe(404);
});

test.skipIf(!nginx)('what does not come through the proxy is sent by Semita', async () => {
  const { bytes, headers } = await ask(school.base, 'adaeze');
  expect([bytes.length, headers.get('x-accel-redirect')]).toEqual([film.length, null]);
});

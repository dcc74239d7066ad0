import fs from 'node:fs';
import http from 'node:http';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { type School, startSchool } from '../test/harness.ts';
import { sendRange } from './send-range.ts';

/** Larger than what is read at once, so that ranges lie in one piece and over several. */
const film = Buffer.alloc(2_500_000, 'The deck carries the load to its ends. ');
let school: School;
let address: string;

beforeAll(async () => {
  school = await startSchool();
  school.addMaterial('ab12', 60_000);
  const place = school.services.materials.findFile(
    { id: 'adaeze', roles: ['teacher'], schoolId: 'quillhaven', displayName: '' },
    'ab12',
  ).path;
  fs.mkdirSync(place.slice(0, place.lastIndexOf('/')), { recursive: true });
  fs.writeFileSync(place, film);
  address = '/api/materials/ab12/media';
});
afterAll(() => school.stop());

async function ask(headers: Record<string, string> = {}, method = 'GET') {
  const { cookie } = school.as('adaeze');
  const response = await fetch(school.base + address, { method, headers: { cookie, ...headers } });
  return { status: response.status, headers: response.headers, bytes: Buffer.from(await response.arrayBuffer()) };
}

describe('ranges, by RFC 9110, 14', () => {
  test.each([
    ['bytes=0-0', 0, 0],
    ['bytes=100-199', 100, 199],
    ['bytes=0-1048575', 0, 1_048_575],
    ['bytes=1048570-1048580', 1_048_570, 1_048_580],
    ['bytes=0-', 0, film.length - 1],
    ['bytes=2499990-9999999', 2_499_990, film.length - 1],
    ['bytes=-10', film.length - 10, film.length - 1],
    // Two that touch are one.
    ['bytes=0-9,10-19', 0, 19],
  ])('%s', async (range, from, to) => {
    const { status, headers, bytes } = await ask({ range });
    expect([status, headers.get('content-range')]).toEqual([206, `bytes ${from}-${to}/${film.length}`]);
    expect(bytes.equals(film.subarray(from, to + 1))).toBe(true);
  });

  test.each(['bytes=9999999-', 'bytes=-0'])('outside: %s', async (range) => {
    const { status, headers, bytes } = await ask({ range });
    expect([status, headers.get('content-range'), bytes.length]).toEqual([416, `bytes */${film.length}`, 0]);
  });

  test.each(['lines=1-2', 'bytes=a-b', 'bytes=0-1,5-6', 'x'])('the whole: %s', async (range) => {
    const { status, bytes } = await ask({ range });
    expect([status, bytes.equals(film)]).toEqual([200, true]);
  });

  test('only of the version that is named', async () => {
    const etag = (await ask()).headers.get('etag') as string;
    expect(etag).toBe('"ab12"');
    expect((await ask({ range: 'bytes=0-9', 'if-range': etag })).status).toBe(206);
    expect((await ask({ range: 'bytes=0-9', 'if-range': '"older"' })).status).toBe(200);
  });
});

test('what a browser has is not sent again, and a head is only a head', async () => {
  const known = await ask({ 'if-none-match': '"ab12"', 'cache-control': 'max-age=0' });
  expect([known.status, known.bytes.length]).toEqual([304, 0]);
  const head = await ask({}, 'HEAD');
  expect([head.status, head.headers.get('content-length')]).toEqual([200, String(film.length)]);
  expect((await ask()).headers.get('content-security-policy')).toBe("sandbox; default-src 'none'");
});

test('players that leave in the middle take nothing with them', async () => {
  const { cookie } = school.as('adaeze');
  for (let i = 0; i < 30; i++)
    await new Promise<void>((resolve) => {
      const request = http.get(school.base + address, { headers: { cookie } }, (response) => {
        response.once('data', () => request.destroy());
        response.on('close', resolve);
        response.on('error', () => undefined);
      });
      request.on('error', () => undefined);
    });
  expect((await ask({ range: 'bytes=1000000-2000000' })).bytes.equals(film.subarray(1_000_000, 2_000_001))).toBe(true);
});

test('nobody names a place at a proxy for an installation that has none', async () => {
  const { status, headers, bytes } = await ask({ 'x-semita-proxy': 'sends-files' });
  expect([status, headers.get('x-accel-redirect'), bytes.length]).toEqual([200, null, film.length]);
});

test('a file that became shorter is not said to be whole', async () => {
  const place = `${school.deps.dataDir}/short`;
  fs.writeFileSync(place, 'only this');
  const file = await fs.promises.open(place);
  const server = http.createServer((_req, res) => {
    res.writeHead(200, { 'content-length': '100' });
    void sendRange(res, file, { start: 0, end: 99 });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  await expect(fetch(`http://127.0.0.1:${port}/`).then((response) => response.text())).rejects.toThrow();
  server.close();
  await file.close();
});

import fs from 'node:fs';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultFetchLimits, fetchAddress, isPublicAddress } from './fetch-address.ts';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-fetch-'));
const target = path.join(folder, 'file');
let base = '';
/** What another program inside was asked; nothing, that is. */
const asked: string[] = [];
let otherPort = 0;
const other = http.createServer((request, response) => {
  asked.push(request.url ?? '');
  response.end('inside');
});
const server = http.createServer((request, response) => {
  const answers: Record<string, () => void> = {
    '/film%20one.mp4': () => response.end('film'),
    '/named': () => response.setHeader('content-disposition', 'attachment; filename="lesson.pdf"').end('pdf'),
    '/moved': () => response.writeHead(302, { location: '/film%20one.mp4' }).end(),
    '/inward': () => response.writeHead(302, { location: 'http://169.254.169.254/latest/meta-data' }).end(),
    '/to-other-port': () => response.writeHead(302, { location: `http://127.0.0.1:${otherPort}/reached` }).end(),
    '/to-lookalike': () => response.writeHead(302, { location: `${base}@127.0.0.1:${otherPort}/reached` }).end(),
    '/to-file': () => response.writeHead(302, { location: 'file:///etc/hostname' }).end(),
    '/round': () => response.writeHead(302, { location: '/round' }).end(),
    '/endless': () => {
      const more = () => {
        while (!response.destroyed && response.write('x'.repeat(64_000)));
      };
      response.on('drain', more);
      more();
    },
    '/promised': () => response.writeHead(200, { 'content-length': '999999999' }).end(),
    '/broken': () => {
      response.writeHead(200, { 'content-length': '100' }).write('half');
      setTimeout(() => response.destroy(), 20);
    },
  };
  (answers[request.url ?? ''] ?? (() => response.writeHead(404).end()))();
});
beforeAll(async () => {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve));
  otherPort = (other.address() as AddressInfo).port;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
  other.close();
  fs.rmSync(folder, { recursive: true });
});

/** As a server whose open network is this machine's loopback alone. */
const limits = { ...defaultFetchLimits, maxBytes: 1_000_000, isAllowed: (ip: string) => ip === '127.0.0.1' };
const fetchIt = (place: string) => fetchAddress(base + place, target, limits);
const reasonOf = (asked: Promise<unknown>) =>
  asked.then(
    () => 'fetched',
    (error: { reason?: string }) => error.reason,
  );

test('a file is fetched, also over a redirection, under the name it has', async () => {
  expect(await fetchIt('/film%20one.mp4')).toEqual({ fileName: 'film one.mp4', byteLength: 4 });
  expect(fs.readFileSync(target, 'utf8')).toBe('film');
  expect(await fetchIt('/moved')).toEqual({ fileName: 'film one.mp4', byteLength: 4 });
  expect(await fetchIt('/named')).toEqual({ fileName: 'lesson.pdf', byteLength: 3 });
});

test.each([
  ['/inward', 'addressPrivate'],
  ['/to-file', 'addressUnusable'],
  ['/round', 'addressRefused'],
  ['/nothing-here', 'addressRefused'],
  ['/endless', 'fileTooLarge'],
  ['/promised', 'fileTooLarge'],
  ['/broken', 'addressSilent'],
])('%s: %s', async (place, reason) => {
  expect(await reasonOf(fetchIt(place))).toBe(reason);
});

test.each([
  'http://localhost:9/x',
  'http://127.0.0.1:9/x',
  'http://[::1]:9/x',
  'http://0x7f000001:9/x',
  'http://2130706433:9/x',
  'http://[::ffff:127.0.0.1]:9/x',
])('this machine is not fetched from: %s', async (address) => {
  expect(await reasonOf(fetchAddress(address, target))).toBe('addressPrivate');
});

test('the catalogue of the school may be inside; where it leads on to may not', async () => {
  const trusting = { ...defaultFetchLimits, trustedPrefix: `${base}/` };
  const ask = (place: string) => reasonOf(fetchAddress(base + place, target, trusting));
  expect(await ask('/film%20one.mp4')).toBe('fetched');
  expect(await ask('/moved')).toBe('fetched');
  for (const place of ['/inward', '/to-other-port', '/to-lookalike'])
    expect(await ask(place), place).not.toBe('fetched');
  expect(asked.filter((url) => url.startsWith('/reached'))).toEqual([]);
});

test.each(['ftp://example.org/x', 'example.org', 'javascript:alert(1)', ''])('%j is no address', async (address) => {
  expect(await reasonOf(fetchAddress(address, target))).toBe('addressUnusable');
});

/** Ranges of the IANA special-purpose registries (RFC 6890), and two of documentation that is open. */
test.each([
  ['10.1.2.3', false],
  ['172.16.0.1', false],
  ['192.168.1.1', false],
  ['169.254.169.254', false],
  ['100.64.0.1', false],
  ['0.0.0.0', false],
  ['224.0.0.1', false],
  ['255.255.255.255', false],
  ['::1', false],
  ['fe80::1', false],
  ['fd00::1', false],
  ['::ffff:10.0.0.1', false],
  ['::', false],
  ['::ffff:0:10.0.0.1', false],
  ['64:ff9b::a00:1', false],
  ['64:ff9b:1::a00:1', false],
  ['2002:a00:1::1', false],
  ['2001:0:a00:1::1', false],
  ['2001:db8::1', false],
  ['fec0::1', false],
  ['ff02::1', false],
  ['5f00::1', false],
  ['8.8.8.8', true],
  ['2606:4700::1111', true],
])('%s is open: %s', (ip, isOpen) => expect(isPublicAddress(ip)).toBe(isOpen));

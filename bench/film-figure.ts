// How fast films go out, against nginx sending the same file: from Semita alone, and behind the proxy.
import { type ChildProcess, fork, spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs';
import http from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { nginxConfig } from '../apps/server/src/test/nginx-config.ts';
import { type Figure, medianRatio } from './compare.ts';

const connections = 8;
const roundMs = 1_500;
const megabyte = 1024 ** 2;

const agent = new http.Agent({ keepAlive: true, maxSockets: connections });

function askRange(url: string, cookie: string, range: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const request = http.get(url, { agent, headers: { cookie, range } }, (response) => {
      let bytes = 0;
      response.on('data', (chunk: Buffer) => {
        bytes += chunk.length;
      });
      response.on('end', () =>
        response.statusCode === 206 ? resolve(bytes) : reject(new Error(`${response.statusCode}`)),
      );
    });
    request.on('error', reject);
  });
}

/** Bytes a second over a round, with every connection asking again as soon as it is answered. */
async function bytesPerSecond(url: string, cookie: string, rangeBytes: number, fileBytes: number): Promise<number> {
  const startedAt = performance.now();
  let sum = 0;
  const run = async (connection: number) => {
    for (let i = connection; performance.now() - startedAt < roundMs; i += 7) {
      const from = (i * rangeBytes) % (fileBytes - rangeBytes);
      sum += await askRange(url, cookie, `bytes=${from}-${from + rangeBytes - 1}`);
    }
  };
  await Promise.all(Array.from({ length: connections }, (_, connection) => run(connection)));
  return (1000 * sum) / (performance.now() - startedAt);
}

interface Told {
  readonly port: number;
  readonly media: string;
  readonly cookie: string;
  readonly place: string;
  readonly fileBytes: number;
}

export async function measureFilm(): Promise<Figure[]> {
  const child: ChildProcess = fork(new URL('./film-school.ts', import.meta.url));
  const [told] = (await once(child, 'message')) as [Told];
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-bench-nginx-'));
  const port = told.port + 1 > 65_535 ? told.port - 1 : told.port + 1;
  const file = path.join(folder, 'nginx.conf');
  // Beside what is documented, the media folder as nginx alone would send it.
  const config = nginxConfig({ folder, port, media: told.media, upstream: `127.0.0.1:${told.port}` });
  fs.writeFileSync(file, config.replace('location / {', `location /plain/ { alias ${told.media}; } location / {`));
  const proxy = spawn('nginx', ['-c', file, '-p', folder], { stdio: 'ignore' });
  const plain = `http://127.0.0.1:${port}/plain/${told.place}`;
  const media = '/api/materials/film/media';
  for (let tries = 0; tries < 100; tries++) {
    if (await askRange(plain, '', 'bytes=0-9').catch(() => 0)) break;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  const ratioOf = async (address: string, rangeBytes: number) => {
    const rate = (url: string) => () => bytesPerSecond(url, told.cookie, rangeBytes, told.fileBytes);
    const [ours, baseline] = [rate(address), rate(plain)];
    // Once each unmeasured, so that the file is in memory and both are warm.
    await ours();
    await baseline();
    return await medianRatio(7, ours, baseline);
  };
  const alone = await ratioOf(`http://127.0.0.1:${told.port}${media}`, megabyte);
  const behind = await ratioOf(`http://127.0.0.1:${port}${media}`, 16 * megabyte);
  proxy.kill('SIGQUIT');
  child.disconnect();
  agent.destroy();
  await Promise.all([once(proxy, 'exit'), once(child, 'exit')]);
  fs.rmSync(folder, { recursive: true });
  return [
    { name: 'Film in ranges of 1 MB, Semita alone ÷ nginx', ratio: alone, goal: 0.4, better: 'higher' },
    { name: 'Film in ranges of 16 MB, Semita behind nginx ÷ nginx', ratio: behind, goal: 0.9, better: 'higher' },
  ];
}

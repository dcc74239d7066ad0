import { spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from 'vitest';
import { materials } from './db/schema.ts';
import { rebuildStates } from './features/attempts/rebuild-states.ts';
import { openInstallation } from './installation.ts';
import { createSender } from './test/harness.ts';
import { prepareSchool, startServer } from './test/server-process.ts';

/** A disk of about 330 MB that may be filled; `npm run torture` makes one. */
const disk = process.env.SEMITA_SMALL_DISK;
const rounds = 12;
const tus = { 'tus-resumable': '1.0.0' };
const documents = ['notebook.docx', 'notebook-tagged.pdf', 'paper-bridge.pptx'];

describe.runIf(disk)('a disk that fills up while documents are brought in', () => {
  test('stops nobody, and all is well once there is room again', { timeout: 600_000 }, async () => {
    const dataDir = path.join(disk as string, 'data');
    const filler = path.join(disk as string, 'filler');
    const { walkers, teacher } = await prepareSchool(dataDir, 1);
    const [walker] = walkers;
    const port = 3300 + (process.pid % 500);
    const base = `http://127.0.0.1:${port}`;
    const event = createSender({ now: Date.now() });
    const acknowledged: string[] = [];

    const bringIn = async (name: string) => {
      const bytes = fs.readFileSync(new URL(`../../../demo/documents/${name}`, import.meta.url));
      const begun = await fetch(`${base}/api/files`, {
        method: 'POST',
        headers: {
          ...tus,
          cookie: teacher,
          'upload-length': String(bytes.length),
          'upload-metadata': `filename ${Buffer.from(name).toString('base64')}`,
        },
      });
      if (begun.status !== 201) return begun.status;
      const place = new URL(begun.headers.get('location') ?? '', `${base}/api/files/`);
      const headers = {
        ...tus,
        cookie: teacher,
        'upload-offset': '0',
        'content-type': 'application/offset+octet-stream',
      };
      return (await fetch(place, { method: 'PATCH', headers, body: new Uint8Array(bytes) })).status;
    };
    const answerIn = async () => {
      const sent = event({ type: 'sought', partId: 'clip', fromMs: 10_000, toMs: 10_000 });
      const answer = await fetch(`${base}/api/attempts/${walker?.attemptId}/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie: walker?.cookie ?? '' },
        body: JSON.stringify({ events: [sent] }),
      });
      if (answer.status === 200) acknowledged.push(sent.id);
      return answer.status;
    };
    /** To the last byte, in a process of its own: the test must go on meanwhile. */
    const fill = async () => {
      const filling = spawn('dd', ['if=/dev/zero', `of=${filler}`, 'bs=64k'], { stdio: 'ignore' });
      await once(filling, 'exit');
    };

    for (let round = 0; round < rounds; round++) {
      const server = await startServer(dataDir, port);
      expect(server.isUp, server.said()).toBe(true);
      for (const name of documents) expect([204, 507]).toContain(await bringIn(name));
      // At another moment of the imports each time.
      await new Promise((resolve) => setTimeout(resolve, round * 150));
      await fill();
      for (let i = 0; i < 20; i++) expect([200, 507]).toContain(await answerIn());
      expect(await bringIn('notebook.docx')).toBe(507);
      expect(server.child.exitCode).toBe(null);
      if (round % 3 === 0) {
        server.child.kill('SIGKILL');
        await server.ended;
        const again = await startServer(dataDir, port);
        expect([again.isUp, again.said()]).toEqual([false, expect.stringContaining('The disk is full')]);
        fs.rmSync(filler);
      } else {
        fs.rmSync(filler);
        // The same server goes on.
        expect(await answerIn()).toBe(200);
        server.child.kill('SIGTERM');
        await server.ended;
      }
    }

    const server = await startServer(dataDir, port);
    const waiting = async () => {
      const list = (await (await fetch(`${base}/api/materials`, { headers: { cookie: teacher } })).json()) as {
        status: string;
      }[];
      return list.filter(({ status }) => status !== 'ready' && status !== 'refused').length;
    };
    await expect.poll(waiting, { timeout: 120_000, interval: 500 }).toBe(0);
    server.child.kill('SIGTERM');
    await server.ended;
    const { db } = openInstallation(dataDir);
    expect(db.$client.pragma('integrity_check', { simple: true })).toBe('ok');
    const stored = db.$client.prepare('SELECT id FROM attempt_events').pluck().all();
    expect(acknowledged.filter((id) => !stored.includes(id))).toEqual([]);
    expect(rebuildStates(db).changed).toEqual([]);
    expect(db.select().from(materials).all().length).toBeGreaterThan(1);
    db.$client.close();
  });
});

import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test } from 'vitest';
import { attemptEvents } from './db/schema.ts';
import { rebuildStates } from './features/attempts/rebuild-states.ts';
import { openInstallation } from './installation.ts';
import { createServices } from './services.ts';
import { createSender } from './test/harness.ts';
import { prepareSchool, startServer, type Walker } from './test/server-process.ts';

const studentCount = 30;
/** How often the server is killed; `npm run torture` does it 300 times. */
const kills = Number(process.env.SEMITA_KILLS ?? 20);
const acknowledgedBeforeKill = 40;

test(`kill -9 in the middle of thirty students, ${kills} times, loses no acknowledged event`, {
  timeout: 60_000 + kills * 15_000,
}, async () => {
  const dataDir = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-kill-'));
  const { walkers } = await prepareSchool(dataDir, studentCount);
  const port = 3300 + (process.pid % 500);
  const acknowledged: string[] = [];

  for (let round = 0; round < kills; round++) {
    const server = await startServer(dataDir, port);
    expect(server.isUp, server.said()).toBe(true);
    let batches = 0;
    let isUp = true;
    const walk = async ({ attemptId, cookie }: Walker) => {
      const event = createSender({ now: Date.now() });
      while (isUp) {
        const events = Array.from({ length: 5 }, () =>
          event({ type: 'sought', partId: 'clip', fromMs: 10_000, toMs: 10_000 }),
        );
        const answer = await fetch(`http://127.0.0.1:${port}/api/attempts/${attemptId}/events`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', cookie },
          body: JSON.stringify({ events }),
        }).catch(() => null);
        const body = (await answer?.json().catch(() => null)) as { outcomes?: { id: string; kind: string }[] } | null;
        if (answer?.status === 200 && body?.outcomes) {
          acknowledged.push(...body.outcomes.map(({ id }) => id));
          batches++;
        } else if (answer?.status !== 429) return;
      }
    };
    const walking = walkers.map(walk);
    // Killed by what has happened, not by the clock: in full flight, with requests under way.
    while (batches < acknowledgedBeforeKill && server.child.exitCode === null)
      await new Promise((resolve) => setTimeout(resolve, 1));
    server.child.kill('SIGKILL');
    isUp = false;
    await Promise.all([...walking, server.ended]);
    expect(batches).toBeGreaterThanOrEqual(acknowledgedBeforeKill);
  }

  const deps = openInstallation(dataDir);
  expect(deps.db.$client.pragma('integrity_check', { simple: true })).toBe('ok');
  const stored = new Set(
    deps.db
      .select({ id: attemptEvents.id })
      .from(attemptEvents)
      .all()
      .map(({ id }) => id),
  );
  expect(acknowledged.filter((id) => !stored.has(id))).toEqual([]);
  // Log and state were written together.
  expect(rebuildStates(deps.db)).toEqual({ attempts: studentCount, changed: [] });
  expect(createServices(deps)).toBeDefined();
  deps.db.$client.close();
  fs.rmSync(dataDir, { recursive: true });
});

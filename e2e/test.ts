import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { test as base } from '@playwright/test';

export * from '@playwright/test';

const root = fileURLToPath(new URL('..', import.meta.url));
const firstPort = 3199;

/** Stories that run side by side have a demo school each, so that none meets what another is doing. */
export const test = base.extend<{ readonly closing: undefined }, { readonly school: string }>({
  // The runner closes only the pages it opened itself; those of one story would work on beside all that come after it.
  closing: [
    async ({ browser }, use) => {
      await use(undefined);
      for (const context of browser.contexts()) await context.close();
    },
    { auto: true },
  ],
  school: [
    // biome-ignore lint/correctness/noEmptyPattern: the runner reads what a fixture needs from its first parameter
    async ({}, use, { parallelIndex }) => {
      const port = String(firstPort + parallelIndex);
      const address = `http://127.0.0.1:${port}`;
      const server = spawn(process.execPath, ['demo/dist/main.js', '--fresh'], {
        cwd: root,
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, PORT: port, SEMITA_DATA: `data/browser-tests-${parallelIndex}` },
      });
      const ended = once(server, 'exit');
      await untilOpen(address, server);
      await use(address);
      server.kill();
      await ended;
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  baseURL: ({ school }, use) => use(school),
});

async function untilOpen(address: string, server: { readonly exitCode: number | null }): Promise<void> {
  while (server.exitCode === null) {
    const answer = await fetch(`${address}/api/session`).catch(() => null);
    if (answer?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error(`The demo school at ${address} ended before it was open`);
}

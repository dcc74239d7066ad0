import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { StartRefused } from './db/start-refused.ts';
import { createSmtpSender } from './features/notices/mail-sender.ts';
import { countMissing, removeLeftOvers } from './files-of-installation.ts';
import { proxyPlaceSetting } from './http/send-file.ts';
import { openInstallation } from './installation.ts';
import { serve } from './serve.ts';
import { createServices } from './services.ts';

const dayMs = 24 * 3_600_000;
const minuteMs = 60_000;

/** Below this nothing can be kept safely, so nothing is begun, in bytes. */
const minFreeBytes = 32 * 1024 ** 2;

const env = process.env;

function assertRoom(dataDir: string): void {
  fs.mkdirSync(dataDir, { recursive: true });
  const { bavail, bsize } = fs.statfsSync(dataDir);
  const freeBytes = bavail * bsize;
  if (freeBytes < minFreeBytes)
    throw new StartRefused(
      `The disk is full: ${Math.floor(freeBytes / 1024 ** 2)} MB are free, and at least ${minFreeBytes / 1024 ** 2} MB are needed. Nothing was changed. Make room, and start again.`,
    );
}

async function start(): Promise<void> {
  // What is written is its owner's alone.
  process.umask(0o077);
  const dataDir = env.SEMITA_DATA ?? 'data';
  // Gives room before it takes any.
  await removeLeftOvers(dataDir);
  assertRoom(dataDir);
  const deps = openInstallation(dataDir);
  const host = env.HOST ?? '127.0.0.1';
  const port = Number(env.PORT ?? 3000);
  const services = createServices(deps, {
    catalogueUrl: env.SEMITA_CATALOGUE,
    recordStoreUrl: env.SEMITA_RECORD_STORE,
    publicUrl: env.SEMITA_URL ?? `http://${host}:${port}`,
    // See docs/mail.md.
    mailSender: env.SEMITA_SMTP ? createSmtpSender(env.SEMITA_SMTP, env.SEMITA_MAIL_FROM ?? 'Semita') : undefined,
  });
  const missing = countMissing(deps);
  services.jobs.resume();
  services.refreshStale();
  await services.clearAway();
  // A server may run for months.
  const daily = setInterval(() => {
    services.clearAway().catch((error: unknown) => deps.log.error({ err: error }, 'not cleared away'));
  }, dayMs);
  daily.unref();
  const app = createApp({
    deps,
    services,
    webDir: fileURLToPath(new URL('../../web/dist', import.meta.url)),
    // Set by whoever puts https in front; without it browsers would not send the cookie back over http.
    secureCookies: env.SEMITA_HTTPS === '1',
  });
  if (env.SEMITA_HTTPS === '1') app.set('trust proxy', 1);
  // See docs/behind-a-proxy.md.
  if (env.SEMITA_PROXY_MEDIA) app.set(proxyPlaceSetting, env.SEMITA_PROXY_MEDIA);
  const often = setInterval(() => {
    services.tellStudents().catch((error: unknown) => deps.log.error({ err: error }, 'students not told'));
  }, minuteMs);
  often.unref();
  await serve(app, { port, host }, () => {
    services.close();
    deps.db.$client.close();
    // Slow addresses that are being asked must not keep it waiting.
    process.exit(0);
  });
  console.log(`Semita is at http://${host}:${port}`);
  if (services.setUp.isEmpty())
    console.log(
      `\nThere is no school here yet. Set it up at this address, which is shown this once:\nhttp://${host}:${port}/set-up#${services.setUp.createSecret()}\n`,
    );
  if (missing > 0)
    console.error(`${missing} file(s) that the database names are missing: restore the media folder from a backup.`);
}

try {
  await start();
} catch (error) {
  if (!(error instanceof StartRefused)) throw error;
  console.error(error.message);
  process.exit(1);
}

import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { removeLeftOvers } from './features/materials/bring-in.ts';
import { openInstallation } from './installation.ts';
import { serve } from './serve.ts';
import { createServices } from './services.ts';

const env = process.env;
const deps = openInstallation(env.SEMITA_DATA ?? 'data');
const services = createServices(deps, { catalogueUrl: env.SEMITA_CATALOGUE });
await removeLeftOvers(deps.dataDir);
services.jobs.resume();
const app = createApp({
  deps,
  services,
  webDir: fileURLToPath(new URL('../../web/dist', import.meta.url)),
  // Set by whoever puts https in front; without it browsers would not send the cookie back over http.
  secureCookies: env.SEMITA_HTTPS === '1',
});
if (env.SEMITA_HTTPS === '1') app.set('trust proxy', 1);
const host = env.HOST ?? '127.0.0.1';
const port = Number(env.PORT ?? 3000);
await serve(app, { port, host }, () => deps.db.$client.close());
console.log(`Semita is at http://${host}:${port}`);
